import { arcCorners } from './arcs.ts';
import { complaintOf, moveComplaints } from './complaints.ts';
import type { Command } from './line.ts';
import { ordinaryModel, type Model } from './model.ts';
import type { Block } from './planner.ts';

const AXES = ['x', 'y', 'z'] as const;
/** How much filament it retracts when it is left to the printer. */
const OWN_RETRACTION_MM = 0.8;
const OWN_RETRACTION_MM_PER_S = 35;
/** How fast speeds change in a printer that nobody has told anything. */
const UNTOLD_MM_PER_S2 = 1000;

/**
 * What commands to move mean, each after all that were read before it: places and filament counted from where it is or
 * absolutely, speeds and accelerations as they were told last. What the model cannot do is announced, and done all the same.
 */
export class MoveReader {
  /** Where the head will be after the moves that are read. */
  #ahead = { x: 0, y: 0, z: 0 };
  #isAbsolute = true;
  #isFilamentAbsolute = true;
  #e = 0;
  #feedMmPerMin = 1500;
  #isHomed = false;
  #isRetracted = false;
  /** How fast speeds may change: printing, travelling, and with filament alone. */
  readonly #acceleration: Record<'print' | 'travel' | 'filament', number>;
  #deviationMm: number;
  readonly #model: Model;
  readonly #announce: (message: string) => void;

  constructor(model: Model, announce: (message: string) => void) {
    this.#model = model;
    this.#announce = announce;
    const { x, y, filament } = model.maxAccelerationMmPerS2;
    const sideways = model === ordinaryModel ? UNTOLD_MM_PER_S2 : Math.min(x, y);
    this.#acceleration = {
      print: sideways,
      travel: sideways,
      filament: model === ordinaryModel ? UNTOLD_MM_PER_S2 : filament,
    };
    this.#deviationMm = model.cornerDeviationMm;
  }

  /** Whether a command is one to move. */
  static isMove({ code }: Command): boolean {
    return /^G(0|1|2|3|10|11)$/.test(code);
  }

  get deviationMm(): number {
    return this.#deviationMm;
  }

  /** Where the head will be after the moves that are read. */
  get ahead(): Readonly<Record<'x' | 'y' | 'z', number>> {
    return { ...this.#ahead };
  }

  /** Has the head be somewhere. */
  place(at: Partial<Record<'x' | 'y' | 'z', number>>): void {
    Object.assign(this.#ahead, at);
  }

  /** Knows from now on where the head is, or no longer does. */
  set isHomed(is: boolean) {
    this.#isHomed = is;
  }

  /** Takes a command by which later moves are meant otherwise; true if it is one. */
  take({ code, parameters }: Command): boolean {
    switch (code) {
      case 'G90':
      case 'G91':
        this.#isAbsolute = code === 'G90';
        return true;
      case 'M82':
      case 'M83':
        this.#isFilamentAbsolute = code === 'M82';
        return true;
      case 'G92':
        this.#e = parameters.E ?? this.#e;
        return true;
      case 'M204':
        this.#acceleration.print = parameters.P ?? this.#acceleration.print;
        this.#acceleration.travel = parameters.T ?? this.#acceleration.travel;
        this.#acceleration.filament = parameters.R ?? this.#acceleration.filament;
        return true;
      case 'M205':
        this.#deviationMm = parameters.J ?? this.#deviationMm;
        return true;
    }
    return false;
  }

  /** The straight moves that a command to move is made of. `end` is where in the file the next command begins. */
  blocksOf(
    command: Command,
    end: number,
    is: { readonly soft: boolean; readonly printing: boolean },
  ): Block[] {
    const { code, parameters } = command;
    const complaint = complaintOf(command, this.#model);
    if (complaint) this.#announce(complaint);
    if (code === 'G10' || code === 'G11') return this.#ownRetraction(code === 'G10', end);
    if (code !== 'G2' && code !== 'G3') return [this.#blockOf(command, end, is)];
    const from = [this.#ahead.x, this.#ahead.y] as const;
    const to = [parameters.X ?? from[0], parameters.Y ?? from[1]] as const;
    const middle = [from[0] + (parameters.I ?? 0), from[1] + (parameters.J ?? 0)] as const;
    const corners = arcCorners(from, to, middle, code === 'G3' ? 1 : -1);
    const eFrom = this.#isFilamentAbsolute ? this.#e : 0;
    const share = ((parameters.E ?? eFrom) - eFrom) / corners.length;
    return corners.map(([X, Y], i) => {
      const E = this.#isFilamentAbsolute ? eFrom + share * (i + 1) : share;
      const piece = {
        X,
        Y,
        ...('E' in parameters ? { E } : {}),
        ...(parameters.F ? { F: parameters.F } : {}),
      };
      return this.#blockOf({ code: 'G1', parameters: piece, rest: '' }, end, is);
    });
  }

  #blockOf(
    { code, parameters }: Command,
    end: number,
    is: { readonly soft: boolean; readonly printing: boolean },
  ): Block {
    if (parameters.F) this.#feedMmPerMin = parameters.F;
    const from = { ...this.#ahead };
    for (const axis of AXES) {
      const value = parameters[axis.toUpperCase()];
      if (value !== undefined) this.#ahead[axis] = this.#isAbsolute ? value : from[axis] + value;
    }
    const to = { ...this.#ahead };
    const byMm = [to.x - from.x, to.y - from.y, to.z - from.z] as const;
    const travelMm = Math.hypot(...byMm);
    const e = parameters.E ?? (this.#isFilamentAbsolute ? this.#e : 0);
    const filamentMm = this.#isFilamentAbsolute ? e - this.#e : e;
    this.#e += filamentMm;
    if (filamentMm !== 0 && !is.soft) this.#announce('echo: cold extrusion prevented');
    if (travelMm > 0 && !this.#isHomed && is.printing) this.#announce('echo: moved before homing');
    const mmPerS = this.#feedMmPerMin / 60;
    const motors = { x: byMm[0], y: byMm[1], z: byMm[2], filament: filamentMm };
    for (const each of moveComplaints({ to, byMm: motors, mmPerS }, this.#model)) this.#announce(each);
    const { print, travel, filament } = this.#acceleration;
    const wanted = travelMm === 0 ? filament : code === 'G0' || filamentMm === 0 ? travel : print;
    return {
      lengthMm: travelMm > 0 ? travelMm : Math.abs(filamentMm),
      speedMmPerS: mmPerS,
      accelerationMmPerS2: Math.min(wanted, this.#mostAcceleration(byMm, travelMm)),
      direction: travelMm > 0 ? [byMm[0] / travelMm, byMm[1] / travelMm, byMm[2] / travelMm] : undefined,
      to,
      end,
    };
  }

  /** How fast the speed along a way may change, so that none of its motors is asked for too much. */
  #mostAcceleration(byMm: readonly number[], lengthMm: number): number {
    const most = this.#model.maxAccelerationMmPerS2;
    if (lengthMm === 0) return most.filament;
    return Math.min(...AXES.map((axis, i) => (most[axis] * lengthMm) / Math.abs(byMm[i])));
  }

  /** G10 retracts and G11 pushes forward again, by the length that is set in the printer. */
  #ownRetraction(isBack: boolean, end: number): Block[] {
    if (isBack === this.#isRetracted) return [];
    this.#isRetracted = isBack;
    return [
      {
        lengthMm: OWN_RETRACTION_MM,
        speedMmPerS: OWN_RETRACTION_MM_PER_S,
        accelerationMmPerS2: this.#acceleration.filament,
        direction: undefined,
        to: { ...this.#ahead },
        end,
      },
    ];
  }
}
