import { classroomLimits, inspect } from '../src/inspect/index.ts';
import type { SolidMesh } from '../src/mesh/index.ts';
import { everydaySettings, slice, writeGcode } from '../src/slice/index.ts';
import type { Kernel } from '../src/solid/index.ts';
import { witness } from './witness.ts';

/** Filled, so that only what the part itself leaves open is air. */
const settings = { ...everydaySettings, skirtLines: 0, infillShare: 1 };
const { maxBridgeMm } = classroomLimits;
/** Lines reach a little onto what holds them, and squares are as fine as they are, mm. */
const ABOUT_MM = 1;
/** At a mouth and along an edge of 45° lines hang loose for so long, mm. */
const LOOSE_MM = 2.5;

/** Where the inspection of a part and what the lines of its G-code lie on do not agree, a line each. */
export function disagreements(kernel: Kernel, mesh: SolidMesh): string[] {
  const seen = witness(writeGcode(slice(kernel, mesh, settings), settings, { offsetMm: [100, 100] }));
  const { checks } = inspect(mesh, classroomLimits, { isForeign: true });
  const failing = (id: string) => checks.find((check) => check.id === id)!.verdict === 'fail';
  const told = failing('island') || failing('overhang') || failing('bridge');
  const spanMm = checks.find(({ id }) => id === 'bridge')!.measured ?? 0;
  const span = seen.longestSpanMm.toFixed(1);
  return [
    // And the tip of something that leans that far may be laid beside what it leans from.
    failing('island') &&
      !failing('overhang') &&
      seen.islands.length === 0 &&
      'something begins in mid-air, and all pieces lie on something',
    // On a steep overhang whole lines lie beyond the layer below.
    !failing('island') &&
      !failing('overhang') &&
      seen.islands.length > 0 &&
      `${seen.islands.length} pieces begin in the air`,
    !told && seen.longestSpanMm > maxBridgeMm + ABOUT_MM && `${span} mm are spanned and pass`,
    !told && seen.longestLooseMm > LOOSE_MM && `${seen.longestLooseMm.toFixed(1)} mm hang loose and pass`,
    failing('bridge') &&
      Math.max(seen.longestSpanMm, seen.longestLooseMm) < maxBridgeMm - ABOUT_MM &&
      `a bridge of ${spanMm} mm fails, and ${span} mm are spanned`,
    failing('overhang') &&
      seen.unsupportedMm < ABOUT_MM &&
      'an overhang fails, and all lines lie on something',
  ].filter((each): each is string => each !== false);
}
