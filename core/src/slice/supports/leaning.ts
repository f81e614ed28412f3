import { isInRegion, nearestOnOutlines, type Region } from '../../plane/index.ts';
import { apartMm, comesNear, type Stem } from './stem.ts';

/** How far a stem leans for each millimetre that it goes down. */
const LEAN = Math.tan((28 * Math.PI) / 180);
/** Stems that are further apart do not join, mm; and what is nearer is one. */
const FARTHEST_MM = 24;
const ONE_MM = 0.35;
/** A stem becomes so much wider for each millimetre that it goes down, up to that, so that a high one stands. */
const WIDENING = 0.02;
const WIDEST_MM = 2;
/** A stem that has moved keeps so far from what may not be touched, so that it is also free in the layers up to its next step, mm. */
const SPARE_MM = 0.12;

/** Where stems may be: out of what lies in their way, and with their middles in bounds. */
export interface Room {
  readonly away: Region;
  readonly bounds: Region;
}

/**
 * Stems a few layers further down, each a little nearer to the one that it can join before the plate; and those that found no
 * room there, as they were above.
 */
export function leaning(
  stems: readonly Stem[],
  { away, bounds }: Room,
  { zMm, stepMm }: { readonly zMm: number; readonly stepMm: number },
): { stems: readonly Stem[]; landed: readonly Stem[] } {
  const isFree = (stem: Stem) => isInRegion([stem.x, stem.y], bounds) && !comesNear(stem, away, SPARE_MM);
  const landed: Stem[] = [];
  const moved: Stem[] = [];
  for (const stem of stems) {
    const radiusMm = Math.min(WIDEST_MM, stem.radiusMm + WIDENING * stepMm);
    const wide = radiusMm === stem.radiusMm ? stem : { ...stem, radiusMm };
    const place = [towards(wide, partnerOf(stem, stems, zMm), LEAN * stepMm), wide, stem].find(isFree);
    const aside = place ?? beside(stem, away, LEAN * stepMm);
    if (place) moved.push(place);
    else if (isFree(aside!)) moved.push(aside!);
    else if (comesNear(stem, away)) landed.push(stem);
    else moved.push(stem);
  }
  const isSame = moved.length === stems.length && moved.every((stem, i) => stem === stems[i]);
  return { stems: isSame ? stems : joined(moved), landed };
}

/** The place between a stem and the nearest other that it can join. */
function partnerOf(stem: Stem, stems: readonly Stem[], leftMm: number): Stem {
  let partner = stem;
  let leastMm = Math.min(FARTHEST_MM, 2 * LEAN * leftMm);
  for (const other of stems) {
    const mm = apartMm(stem, other);
    if (other !== stem && mm < leastMm) [partner, leastMm] = [other, mm];
  }
  return { ...stem, x: (stem.x + partner.x) / 2, y: (stem.y + partner.y) / 2 };
}

function towards(stem: Stem, goal: Stem, mostMm: number): Stem {
  const mm = apartMm(stem, goal);
  if (mm === 0) return stem;
  const share = Math.min(1, mostMm / mm);
  return { ...stem, x: stem.x + share * (goal.x - stem.x), y: stem.y + share * (goal.y - stem.y) };
}

/** A stem moved off what it comes near to. */
function beside(stem: Stem, away: Region, byMm: number): Stem {
  const [x, y] = nearestOnOutlines([stem.x, stem.y], away);
  const mm = Math.hypot(stem.x - x, stem.y - y);
  if (mm === 0) return stem;
  return { ...stem, x: stem.x + (byMm * (stem.x - x)) / mm, y: stem.y + (byMm * (stem.y - y)) / mm };
}

/** Stems that have come together as one. */
function joined(stems: readonly Stem[]): readonly Stem[] {
  const left: Stem[] = [];
  for (const stem of stems) {
    const at = left.findIndex((other) => apartMm(stem, other) < ONE_MM);
    if (at < 0) left.push(stem);
    else {
      const other = left[at];
      left[at] = {
        x: (stem.x + other.x) / 2,
        y: (stem.y + other.y) / 2,
        radiusMm: Math.max(stem.radiusMm, other.radiusMm),
      };
    }
  }
  return left;
}
