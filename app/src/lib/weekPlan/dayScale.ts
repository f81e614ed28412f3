/** A time in which somebody is there, ms. */
interface Slot {
  readonly fromMs: number;
  readonly toMs: number;
}

const HOUR_MS = 3600_000;

/**
 * Where times lie along a plan: the hours in which somebody is there have all the room, and the nights and free days
 * between them are narrow, however long they are.
 */
export class DayScale {
  readonly #knots: readonly { readonly ms: number; readonly px: number }[];

  /** @param slots in their order; @param hourPx of an hour in them; @param gapPx of the time between two of them */
  constructor(slots: readonly Slot[], hourPx: number, gapPx: number) {
    let px = 0;
    this.#knots = slots.flatMap(({ fromMs, toMs }, i) => {
      if (i > 0) px += gapPx;
      const from = { ms: fromMs, px };
      px += ((toMs - fromMs) / HOUR_MS) * hourPx;
      return [from, { ms: toMs, px }];
    });
  }

  /** The whole width, px. */
  get widthPx(): number {
    return this.#knots.at(-1)?.px ?? 0;
  }

  /** Where a time is; what is before or after all of it is at the end. */
  pxOf(ms: number): number {
    return between(this.#knots, ms, 'ms', 'px');
  }

  /** The time at a place. */
  msAt(px: number): number {
    return between(this.#knots, px, 'px', 'ms');
  }
}

/** The full hours within a time, without its beginning. */
export function fullHours({ fromMs, toMs }: Slot): Date[] {
  const first = new Date(fromMs).setMinutes(60, 0, 0);
  const count = Math.max(0, Math.ceil((toMs - first) / HOUR_MS));
  return Array.from({ length: count }, (_, i) => new Date(first + i * HOUR_MS));
}

type Knot = { readonly ms: number; readonly px: number };

function between(knots: readonly Knot[], value: number, from: keyof Knot, to: keyof Knot): number {
  const next = knots.findIndex((knot) => knot[from] >= value);
  if (next === 0) return knots[0][to];
  if (next === -1) return knots.at(-1)?.[to] ?? 0;
  const [a, b] = [knots[next - 1], knots[next]];
  return a[to] + ((value - a[from]) / (b[from] - a[from] || 1)) * (b[to] - a[to]);
}
