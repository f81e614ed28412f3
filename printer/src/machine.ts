import { parseCommand, type Command } from './line.ts';
import type { PauseReason } from './faults.ts';
import { Planner, type Block } from './planner.ts';

/** A heater: it moves towards its target and then stays there. */
interface Heater {
  c: number;
  targetC: number;
}

/** A file that is being printed, was paused, or is done. */
interface Job {
  readonly name: string;
  readonly content: string;
  /** Up to where it is carried out. */
  at: number;
  /** Up to where it is read: the printer knows some moves ahead. */
  readTo: number;
  running: boolean;
}

const ROOM_C = 21;
const NOZZLE_C_PER_S = 2.5;
const BED_C_PER_S = 1;
/** A heater that is this close to its target has reached it. */
const REACHED_C = 1;
/** A heater that is so far below its target while printing has failed. */
const TOO_COLD_C = 20;
const HOMING_MM_PER_S = 50;
/** Colder than this, filament cannot be pushed, and would be ground to dust. */
const SOFT_C = 170;
/** How far the head reaches from the corner where it is homed. */
const REACH_MM = { x: 220, y: 220, z: 250 };
/** Commands that change nothing here: millimetres, motors, fans, words on a display, waiting, the only tool. */
const WITHOUT_EFFECT = new Set(['G21', 'M18', 'M84', 'M106', 'M107', 'M117', 'M400', 'T0']);
/** Commands that hold for what is read after them, and for which the head does not stop. */
const IN_PASSING = new Set(['G90', 'G91', 'G92', 'M82', 'M83', 'M106', 'M107', 'M204', 'M205']);

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
  /** Why the file stands still, if it was begun and does. */
  paused: PauseReason | undefined;
  /** Set when the printer has stopped itself; nothing but switching it off and on helps. */
  halted: string | undefined;
  #heaterWorks = true;
  /** Called with what a printer tells without being asked. */
  announce: (message: string) => void = () => {};

  #absolute = true;
  #absoluteE = true;
  #e = 0;
  #feedMmPerMin = 1500;
  /** How fast speeds may change: printing, travelling, and with filament alone. */
  readonly #acceleration = { print: 1000, travel: 1000, filament: 1000 };
  #deviationMm = 0.02;
  readonly #planner = new Planner();
  /** Where the head will be after the moves that are read. */
  #ahead = { x: 0, y: 0, z: 0 };
  /** Seconds that the current move still takes. */
  #busyS = 0;
  #waitingFor: Heater | undefined;

  /** Selects a stored file; true if there is one of that name. */
  select(name: string): boolean {
    const content = this.files.get(name);
    if (content === undefined) return false;
    this.job = { name, content, at: 0, readTo: 0, running: false };
    this.#forget();
    return true;
  }

  /** Starts or continues the selected file. */
  run(): void {
    if (!this.job || this.halted) return;
    this.job.running = true;
    this.paused = undefined;
  }

  /** Lets the file stand still, the nozzle where it is. */
  pause(reason: PauseReason = 'user'): void {
    if (!this.job?.running) return;
    this.job.running = false;
    this.paused = reason;
  }

  /** The nozzle's heater burns through: it cools, and the printer stops itself when it notices. */
  breakHeater(): void {
    this.#heaterWorks = false;
  }

  /** As when it was just switched on: what was being printed is lost, what was stored is not. */
  restart(): void {
    this.abort();
    this.halted = undefined;
    this.#heaterWorks = true;
  }

  /** Gives up the file and turns the heaters off. */
  abort(): void {
    this.job = undefined;
    this.paused = undefined;
    this.#forget();
    this.#busyS = 0;
    this.#waitingFor = undefined;
    this.nozzle.targetC = 0;
    this.bed.targetC = 0;
  }

  /** Whether every byte of the selected file was carried out. */
  get isDone(): boolean {
    return this.job !== undefined && !this.job.running && this.job.at >= this.job.content.length;
  }

  /** Whether a move is under way. */
  get isMoving(): boolean {
    return this.#busyS > 0;
  }

  /** Whether the nozzle is hot enough for filament to be moved in it. */
  get isSoft(): boolean {
    return this.nozzle.c >= SOFT_C;
  }

  /** Lets virtual seconds pass: heaters move, and the running file goes on. */
  advance(seconds: number): void {
    // Heaters and moves are taken in turns of at most a second, so that waiting for heat is exact enough at any speed.
    for (let left = seconds; left > 1e-9;) {
      const turn = Math.min(1, left);
      left -= turn;
      if (this.#heaterWorks) approach(this.nozzle, NOZZLE_C_PER_S * turn);
      else this.nozzle.c = Math.max(ROOM_C, this.nozzle.c - (NOZZLE_C_PER_S / 3) * turn);
      this.#watchHeater();
      approach(this.bed, BED_C_PER_S * turn);
      this.#print(turn);
    }
  }

  /** A printer whose nozzle cools while it should be hot stops itself, before something burns. */
  #watchHeater(): void {
    if (this.#heaterWorks || this.nozzle.targetC === 0) return;
    if (this.nozzle.c > this.nozzle.targetC - TOO_COLD_C) return;
    this.abort();
    this.halted = 'Heating failed, system stopped';
    this.announce(`Error:${this.halted}`);
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
      this.#readAhead(this.job);
      if (!this.#planner.isEmpty) this.#begin(this.job);
      else if (this.job.readTo >= this.job.content.length && !this.#waitingFor && this.#busyS === 0) {
        this.job.running = false;
        this.job.at = this.job.content.length;
        this.announce('Done printing file');
        return;
      }
    }
    // What was moved by hand, or was under way when the file was paused, comes to its end.
    if (!this.job?.running) this.#busyS = Math.max(0, this.#busyS - left);
  }

  /** Reads moves until the memory is full; what is no move is carried out once those before it are. */
  #readAhead(job: Job): void {
    while (!this.#planner.isFull && job.readTo < job.content.length) {
      const end = job.content.indexOf('\n', job.readTo);
      const next = end < 0 ? job.content.length : end + 1;
      const words = job.content.slice(job.readTo, next).replace(/;.*$/m, '').trim();
      const command = words === '' ? undefined : parseCommand(words);
      if (command?.code === 'G0' || command?.code === 'G1') {
        this.#planner.push(this.#blockOf(command, next));
      } else if (command && !IN_PASSING.has(command.code)) {
        if (!this.#planner.isEmpty) return;
        job.readTo = job.at = next;
        if (command.code === 'M600') {
          this.pause('filament');
          return;
        }
        this.execute(command);
        // Something to wait for: what follows has time.
        if (this.#waitingFor || this.#busyS > 0) return;
        continue;
      } else if (command) this.execute(command);
      job.readTo = next;
    }
  }

  #begin(job: Job): void {
    const { block, seconds } = this.#planner.take(this.#deviationMm);
    this.#busyS += seconds;
    Object.assign(this.position, block.to);
    job.at = this.#planner.isEmpty ? job.readTo : block.end;
  }

  /** Forgets the moves that were read ahead. */
  #forget(): void {
    this.#planner.clear();
    this.#ahead = { ...this.position };
  }

  /** Carries out a command, or tells that there is none of this name. */
  execute({ code, parameters }: Command): void {
    switch (code) {
      case 'G0':
      case 'G1': {
        // A move by hand begins and ends at rest.
        const alone = new Planner();
        alone.push(this.#blockOf({ code, parameters, rest: '' }, 0));
        if (alone.isEmpty) break;
        this.#busyS += alone.take(this.#deviationMm).seconds;
        Object.assign(this.position, this.#ahead);
        break;
      }
      case 'M204':
        this.#acceleration.print = parameters.P ?? this.#acceleration.print;
        this.#acceleration.travel = parameters.T ?? this.#acceleration.travel;
        this.#acceleration.filament = parameters.R ?? this.#acceleration.filament;
        break;
      case 'M205':
        this.#deviationMm = parameters.J ?? this.#deviationMm;
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
      default:
        if (!WITHOUT_EFFECT.has(code)) this.announce(`echo:Unknown command: "${code}"`);
    }
  }

  /** What a command to move means, after all that were read before it. */
  #blockOf({ code, parameters }: Command, end: number): Block {
    if (parameters.F) this.#feedMmPerMin = parameters.F;
    const from = { ...this.#ahead };
    for (const axis of ['x', 'y', 'z'] as const) {
      const value = parameters[axis.toUpperCase()];
      if (value !== undefined) this.#ahead[axis] = this.#absolute ? value : from[axis] + value;
    }
    const to = { ...this.#ahead };
    const [dx, dy, dz] = [to.x - from.x, to.y - from.y, to.z - from.z];
    const travelMm = Math.hypot(dx, dy, dz);
    const e = parameters.E ?? (this.#absoluteE ? this.#e : 0);
    const filamentMm = this.#absoluteE ? e - this.#e : e;
    this.#e += filamentMm;
    if (filamentMm !== 0 && !this.isSoft) this.announce('echo: cold extrusion prevented');
    for (const axis of ['x', 'y', 'z'] as const) {
      if (to[axis] < 0 || to[axis] > REACH_MM[axis])
        this.announce(`echo: ${axis} is out of reach: ${to[axis]}`);
    }
    const { print, travel, filament } = this.#acceleration;
    return {
      lengthMm: travelMm > 0 ? travelMm : Math.abs(filamentMm),
      speedMmPerS: this.#feedMmPerMin / 60,
      accelerationMmPerS2: travelMm === 0 ? filament : code === 'G0' || filamentMm === 0 ? travel : print,
      direction: travelMm > 0 ? [dx / travelMm, dy / travelMm, dz / travelMm] : undefined,
      to,
      end,
    };
  }

  #home(parameters: Command['parameters']): void {
    const named = (['x', 'y', 'z'] as const).filter((axis) => axis.toUpperCase() in parameters);
    for (const axis of named.length > 0 ? named : (['x', 'y', 'z'] as const)) {
      this.#busyS += this.position[axis] / HOMING_MM_PER_S;
      this.position[axis] = this.#ahead[axis] = 0;
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
