import type { Dialect } from '../../machine/index.ts';
import type { PrintSettings } from '../settings/printSettings.ts';
import { stretchesOf } from './arcs.ts';

type Place = readonly [number, number];

/** After so many lines they are put together, since lines by themselves take four times the memory. */
const LINES_TOGETHER = 10_000;

/** Writes the lines of a print in the words that a printer takes. */
export class CodeWriter {
  readonly #together: string[] = [];
  #lines: string[] = [];
  readonly #dialect: Dialect;
  readonly #settings: PrintSettings;
  /** What is being laid at one speed without a stop. */
  #line: { readonly mmPerS: number; readonly points: Place[]; readonly filamentMm: number[] } | undefined;
  #accelerationMmPerS2 = 0;
  #fanShare = 0;
  /** How much filament was moved since it was last counted anew, where printers count it from there. */
  #filamentMm = 0;

  constructor(dialect: Dialect, settings: PrintSettings) {
    this.#dialect = dialect;
    this.#settings = settings;
  }

  /** All that was written, a line each. */
  text(): string {
    this.#endLine();
    return [...this.#together, ...this.#lines].join('\n');
  }

  /** Lines as they are, after what was laid until now. */
  add(...lines: readonly string[]): void {
    this.#endLine();
    this.#lines.push(...lines);
  }

  /** How fast speeds may change where nothing is printed, and how corners are taken. */
  tellLimits(): void {
    const { travelMmPerS2, retractMmPerS2, cornerDeviationMm } = this.#settings;
    if (this.#dialect.takesAccelerations) this.add(`M204 T${travelMmPerS2} R${retractMmPerS2}`);
    if (this.#dialect.takesCorners) this.add(`M205 J${cornerDeviationMm}`);
  }

  /** Code of the sheet's own, in which filament is always counted for each move; without any, nothing. */
  own(lines: readonly string[]): void {
    if (lines.length === 0) return;
    if (this.#dialect.filament === 'absolute') this.add('M83');
    this.add(...lines);
    this.countAnew();
  }

  /** Has filament be counted as the printer is used to, beginning from here. */
  countAnew(): void {
    if (this.#dialect.filament === 'absolute') this.add('M82', 'G92 E0');
    this.#filamentMm = 0;
  }

  layer(number: number, of: number): void {
    if (this.#lines.length > LINES_TOGETHER) {
      this.#endLine();
      this.#together.push(this.#lines.join('\n'));
      this.#lines = [];
    }
    this.add(`; layer ${number} of ${of}`);
  }

  /** Brings the nozzle to a height. */
  rise(zMm: number): void {
    this.add(`G0 Z${decimals(zMm, 3)} F${feed(this.#settings.liftMmPerS)}`);
  }

  /** Has the fan blow as hard as that, 0 to 1; it stands still at the beginning. */
  fan(share: number): void {
    if (share === this.#fanShare) return;
    this.#fanShare = share;
    const { fanFull } = this.#dialect;
    this.add(`M106 S${fanFull === 1 ? decimals(share, 3) : Math.round(fanFull * share)}`);
  }

  /** Lays plastic from where the nozzle is. Printers that take arcs get pieces that lie on one as one. */
  print(from: Place, to: Place, filamentMm: number, mmPerS: number, accelerationMmPerS2: number): void {
    if (accelerationMmPerS2 !== this.#accelerationMmPerS2) {
      this.#endLine();
      this.#accelerationMmPerS2 = accelerationMmPerS2;
      if (this.#dialect.takesAccelerations) this.add(`M204 P${accelerationMmPerS2}`);
    }
    if (!this.#dialect.takesArcs) return this.#straight(to, filamentMm, mmPerS);
    if (this.#line && (this.#line.mmPerS !== mmPerS || !isAt(this.#line.points.at(-1)!, from)))
      this.#endLine();
    this.#line ??= { mmPerS, points: [from], filamentMm: [] };
    this.#line.points.push(to);
    this.#line.filamentMm.push(filamentMm);
  }

  #straight(to: Place, filamentMm: number, mmPerS: number): void {
    this.#lines.push(`G1 ${written(to)} E${this.#moved(filamentMm)} F${feed(mmPerS)}`);
  }

  /** Writes the line that was laid until now. */
  #endLine(): void {
    const line = this.#line;
    if (!line) return;
    this.#line = undefined;
    let [at, piece] = [line.points[0], 0];
    for (const { to, pieces, arc } of stretchesOf(line.points)) {
      const filamentMm = line.filamentMm.slice(piece, piece + pieces).reduce((sum, mm) => sum + mm, 0);
      if (arc) {
        const [i, j] = [arc.middle[0] - at[0], arc.middle[1] - at[1]].map((mm) => decimals(mm, 3));
        const command = arc.isClockwise ? 'G2' : 'G3';
        this.#lines.push(
          `${command} ${written(to)} I${i} J${j} E${this.#moved(filamentMm)} F${feed(line.mmPerS)}`,
        );
      } else this.#straight(to, filamentMm, line.mmPerS);
      [at, piece] = [to, piece + pieces];
    }
  }

  travel(to: Place): void {
    this.add(`G0 ${written(to)} F${feed(this.#settings.travelMmPerS)}`);
  }

  /** Draws filament back, so that it does not ooze, or pushes it forward again. */
  draw(way: 'back' | 'forward', mm: number = this.#settings.retractMm): void {
    this.#endLine();
    if (this.#dialect.retractsByItself) this.add(way === 'back' ? 'G10' : 'G11');
    else this.add(`G1 E${this.#moved(way === 'back' ? -mm : mm)} F${feed(this.#settings.retractMmPerS)}`);
  }

  /** Filament that is moved, as the printer counts it. */
  #moved(mm: number): number {
    if (this.#dialect.filament === 'relative') return decimals(mm, 5);
    this.#filamentMm += mm;
    return decimals(this.#filamentMm, 5);
  }
}

/** Whether two places are one, by the rounding of G-code. */
function isAt(a: Place, b: Place): boolean {
  return Math.abs(a[0] - b[0]) < 1e-6 && Math.abs(a[1] - b[1]) < 1e-6;
}

function written([x, y]: Place): string {
  return `X${decimals(x, 3)} Y${decimals(y, 3)}`;
}

/** G-code counts speed in millimetres a minute. */
export function feed(mmPerS: number): number {
  return Math.round(mmPerS * 60);
}

/** A number with at most so many decimals. Rounding by a factor is much faster than formatting and reading back. */
export function decimals(value: number, places: 3 | 5): number {
  const factor = places === 3 ? 1e3 : 1e5;
  return Math.round(value * factor) / factor;
}
