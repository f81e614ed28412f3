import { complaintOf } from './complaints.ts';
import type { PauseReason } from './faults.ts';
import { parseCommand, type Command } from './line.ts';
import { ordinaryModel, type Model } from './model.ts';
import { MoveReader } from './moveReader.ts';
import { Planner } from './planner.ts';

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
/** How long it probes its plate, and how long it takes to draw one filament out and push another one in. */
const LEVELLING_S = 30;
const FILAMENT_CHANGE_S = 12;
/** Commands that change nothing here: millimetres, motors, fans, the chamber, words on a display, waiting. */
const WITHOUT_EFFECT = new Set(['G4', 'G21', 'M17', 'M18', 'M84', 'M106', 'M107', 'M117', 'M141', 'M400']);
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

  /** Which of its filaments is in the nozzle. */
  filament = 0;
  readonly #planner = new Planner();
  readonly #model: Model;
  readonly #reader: MoveReader;
  /** Seconds that the current move still takes. */
  #busyS = 0;
  #waitingFor: Heater | undefined;

  constructor(model: Model = ordinaryModel) {
    this.#model = model;
    this.#reader = new MoveReader(model, (message) => this.announce(message));
  }

  /** How many filaments it changes between by itself. */
  get filaments(): number {
    return this.#model.filaments;
  }

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
    this.#reader.isHomed = false;
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
      if (command && MoveReader.isMove(command)) this.#plan(this.#planner, command, next);
      else if (command && !IN_PASSING.has(command.code)) {
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
    const { block, seconds } = this.#planner.take();
    this.#busyS += seconds;
    Object.assign(this.position, block.to);
    job.at = this.#planner.isEmpty ? job.readTo : block.end;
  }

  /** Forgets the moves that were read ahead. */
  #forget(): void {
    this.#planner.clear();
    this.#reader.place(this.position);
  }

  #plan(planner: Planner, command: Command, end: number): void {
    const is = { soft: this.isSoft, printing: this.job?.running === true };
    const { deviationMm } = this.#reader;
    for (const block of this.#reader.blocksOf(command, end, is)) planner.push(block, deviationMm);
  }

  /** Carries out a command, or tells that there is none of this name, or that its model does not take it. */
  execute(command: Command): void {
    if (MoveReader.isMove(command)) return this.#moveByHand(command);
    this.#complain(command);
    if (this.#reader.take(command)) return;
    const { code, parameters } = command;
    switch (code) {
      case 'G28':
        this.#home(parameters);
        break;
      case 'G29':
        this.#busyS += LEVELLING_S;
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
        if (/^T\d+$/.test(code)) this.#changeFilament(Number(code.slice(1)));
        else if (!WITHOUT_EFFECT.has(code)) this.announce(`echo:Unknown command: "${code}"`);
    }
  }

  /** A move by hand begins and ends at rest. */
  #moveByHand(command: Command): void {
    const alone = new Planner();
    this.#plan(alone, command, 0);
    while (!alone.isEmpty) this.#busyS += alone.take().seconds;
    Object.assign(this.position, this.#reader.ahead);
  }

  #complain(command: Command): void {
    const complaint = complaintOf(command, this.#model);
    if (complaint) this.announce(complaint);
    if (/^M(18|84)$/.test(command.code) && this.job?.running && this.nozzle.targetC > 0)
      this.announce('echo: motors off while the nozzle is heated');
  }

  /** Has another of its filaments in the nozzle. */
  #changeFilament(to: number): void {
    if (to === this.filament || to >= this.#model.filaments) return;
    if (!this.isSoft) this.announce('echo: filament changed in a cold nozzle');
    this.filament = to;
    this.#busyS += FILAMENT_CHANGE_S;
  }

  #home(parameters: Command['parameters']): void {
    this.#reader.isHomed = true;
    const named = (['x', 'y', 'z'] as const).filter((axis) => axis.toUpperCase() in parameters);
    for (const axis of named.length > 0 ? named : (['x', 'y', 'z'] as const)) {
      this.#busyS += Math.abs(this.position[axis]) / HOMING_MM_PER_S;
      this.position[axis] = 0;
      this.#reader.place({ [axis]: 0 });
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
