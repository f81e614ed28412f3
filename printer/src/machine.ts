import { parseCommand, type Command } from './line.ts';

/** A heater: it moves towards its target and then stays there. */
interface Heater {
  c: number;
  targetC: number;
}

/** A file that is being printed, was paused, or is done. */
interface Job {
  readonly name: string;
  readonly content: string;
  /** Where the next command begins. */
  at: number;
  running: boolean;
}

const ROOM_C = 21;
const NOZZLE_C_PER_S = 2.5;
const BED_C_PER_S = 1;
/** A heater that is this close to its target has reached it. */
const REACHED_C = 1;
const HOMING_MM_PER_S = 50;

/**
 * A printer's inside on a virtual clock: heaters, the nozzle's place, a storage of files, and the file being printed.
 * Time passes by {@link advance} alone, so that it can run at any speed.
 */
export class Machine {
  readonly nozzle: Heater = { c: ROOM_C, targetC: 0 };
  readonly bed: Heater = { c: ROOM_C, targetC: 0 };
  readonly files = new Map<string, string>();
  readonly position = { x: 0, y: 0, z: 0 };
  job: Job | undefined;
  /** Called with what a printer tells without being asked. */
  announce: (message: string) => void = () => {};

  #absolute = true;
  #absoluteE = true;
  #e = 0;
  #feedMmPerMin = 1500;
  /** Seconds that the current move still takes. */
  #busyS = 0;
  #waitingFor: Heater | undefined;

  /** Selects a stored file; true if there is one of that name. */
  select(name: string): boolean {
    const content = this.files.get(name);
    if (content === undefined) return false;
    this.job = { name, content, at: 0, running: false };
    return true;
  }

  /** Starts or continues the selected file. */
  run(): void {
    if (this.job) this.job.running = true;
  }

  pause(): void {
    if (this.job) this.job.running = false;
  }

  /** Gives up the file and turns the heaters off. */
  abort(): void {
    this.job = undefined;
    this.#busyS = 0;
    this.#waitingFor = undefined;
    this.nozzle.targetC = 0;
    this.bed.targetC = 0;
  }

  /** Whether every byte of the selected file was carried out. */
  get isDone(): boolean {
    return this.job !== undefined && !this.job.running && this.job.at >= this.job.content.length;
  }

  /** Lets virtual seconds pass: heaters move, and the running file goes on. */
  advance(seconds: number): void {
    // Heaters and moves are taken in turns of at most a second, so that waiting for heat is exact enough at any speed.
    for (let left = seconds; left > 1e-9;) {
      const turn = Math.min(1, left);
      left -= turn;
      approach(this.nozzle, NOZZLE_C_PER_S * turn);
      approach(this.bed, BED_C_PER_S * turn);
      this.#print(turn);
    }
  }

  #print(seconds: number): void {
    let left = seconds;
    while (this.job?.running) {
      if (this.#waitingFor) {
        if (Math.abs(this.#waitingFor.c - this.#waitingFor.targetC) > REACHED_C) return;
        this.#waitingFor = undefined;
      }
      if (this.#busyS > left) {
        this.#busyS -= left;
        return;
      }
      left -= this.#busyS;
      this.#busyS = 0;
      if (this.job.at >= this.job.content.length) {
        this.job.running = false;
        this.announce('Done printing file');
        return;
      }
      const end = this.job.content.indexOf('\n', this.job.at);
      const line = this.job.content.slice(this.job.at, end < 0 ? undefined : end);
      this.job.at = end < 0 ? this.job.content.length : end + 1;
      const content = line.replace(/;.*$/, '').trim();
      if (content) this.execute(parseCommand(content));
    }
  }

  /** Carries out a command that moves or heats; others do nothing here. */
  execute({ code, parameters }: Command): void {
    switch (code) {
      case 'G0':
      case 'G1':
        this.#move(parameters);
        break;
      case 'G28':
        this.#home(parameters);
        break;
      case 'G90':
        this.#absolute = true;
        break;
      case 'G91':
        this.#absolute = false;
        break;
      case 'M82':
        this.#absoluteE = true;
        break;
      case 'M83':
        this.#absoluteE = false;
        break;
      case 'G92':
        this.#e = parameters.E ?? this.#e;
        break;
      case 'M104':
      case 'M109':
        this.nozzle.targetC = parameters.S ?? 0;
        if (code === 'M109') this.#waitingFor = this.nozzle;
        break;
      case 'M140':
      case 'M190':
        this.bed.targetC = parameters.S ?? 0;
        if (code === 'M190') this.#waitingFor = this.bed;
        break;
    }
  }

  #move(parameters: Command['parameters']): void {
    if (parameters.F) this.#feedMmPerMin = parameters.F;
    const from = { ...this.position };
    for (const axis of ['x', 'y', 'z'] as const) {
      const value = parameters[axis.toUpperCase()];
      if (value !== undefined) this.position[axis] = this.#absolute ? value : this.position[axis] + value;
    }
    const { x, y, z } = this.position;
    const travelMm = Math.hypot(x - from.x, y - from.y, z - from.z);
    const e = parameters.E ?? (this.#absoluteE ? this.#e : 0);
    const filamentMm = this.#absoluteE ? e - this.#e : e;
    this.#e += filamentMm;
    // A move without travel takes as long as its filament does.
    this.#busyS += (travelMm > 0 ? travelMm : Math.abs(filamentMm)) / (this.#feedMmPerMin / 60);
  }

  #home(parameters: Command['parameters']): void {
    const named = (['x', 'y', 'z'] as const).filter((axis) => axis.toUpperCase() in parameters);
    for (const axis of named.length > 0 ? named : (['x', 'y', 'z'] as const)) {
      this.#busyS += this.position[axis] / HOMING_MM_PER_S;
      this.position[axis] = 0;
    }
  }
}

function approach(heater: Heater, byC: number): void {
  const goal = Math.max(heater.targetC, ROOM_C);
  const away = goal - heater.c;
  // Cooling in air is slower than heating.
  const step = away > 0 ? byC : byC / 3;
  heater.c = Math.abs(away) <= step ? goal : heater.c + Math.sign(away) * step;
}
