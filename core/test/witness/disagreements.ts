import type { Manifold } from 'manifold-3d';
import { classroomLimits, inspect, type Finding } from '../../src/inspect/index.ts';
import { boundsOf, type SolidMesh } from '../../src/mesh/index.ts';
import { everydaySettings, slice, writeGcode } from '../../src/slice/index.ts';
import type { Kernel } from '../../src/solid/index.ts';
import { witness } from './witness.ts';

/** Filled, so that only what the part itself leaves open is air. */
const settings = { ...everydaySettings, skirtLines: 0, infillShare: 1 };
const { maxBridgeMm } = classroomLimits;
/** Lines reach a little onto what holds them, and squares are as fine as they are, mm. */
const ABOUT_MM = 1;
/** At a mouth and along an edge of 45° lines hang loose for so long, mm. */
const LOOSE_MM = 2.5;

/** Where the part lies on the plate, mm. */
const OFFSET = 100;
/** So far the nozzle may go through the open with the filament not drawn back, mm. */
const OPEN_MM = 2;
/** Holes are drawn within the width of a line. */
const LINE_MM = everydaySettings.lineWidthMm;

function solidOf(kernel: Kernel, { positions, triangles }: SolidMesh): Manifold {
  return new kernel.Manifold(new kernel.Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles }));
}

/** The outlines of a section, by the kernel alone. */
function polygonsAt(solid: Manifold, zMm: number): [number, number][][] {
  const section = solid.slice(zMm);
  const outlines = section.toPolygons();
  section.delete();
  return outlines as [number, number][][];
}

/** Whether a finding is a hole that stands upright, goes through and does not close up. */
function isUprightThrough({ hole, verdict }: Finding): boolean {
  return verdict !== 'fail' && hole !== undefined && hole.through && Math.abs(hole.axis[2]) > 0.999;
}

/** Where the inspection of a part and what the lines of its G-code lie on do not agree, a line each. */
export function disagreements(kernel: Kernel, mesh: SolidMesh): string[] {
  const { checks } = inspect(mesh, classroomLimits, { isForeign: true });
  const holes = checks.flatMap(({ findings }) => findings.filter(isUprightThrough));
  const solid = solidOf(kernel, mesh);
  const { min, max } = boundsOf(mesh);
  const seen = witness(writeGcode(slice(kernel, mesh, settings), settings, { offsetMm: [OFFSET, OFFSET] }), {
    corners: [min, max].map(([x, y]) => [x + OFFSET, y + OFFSET] as const),
    places: holes.map(({ at: [x, y, z] }) => [x + OFFSET, y + OFFSET, z]),
    sectionAt: (zMm) =>
      polygonsAt(solid, zMm).map((outline) => outline.map(([x, y]) => [x + OFFSET, y + OFFSET])),
  });
  solid.delete();
  const failing = (id: string) => checks.find((check) => check.id === id)!.verdict === 'fail';
  const told = failing('island') || failing('overhang') || failing('bridge');
  const spanMm = checks.find(({ id }) => id === 'bridge')!.measured ?? 0;
  const span = seen.longestSpanMm.toFixed(1);
  const thin = failing('wall') || failing('size') || failing('relief') || failing('gap') || told;
  const lostMm2 = Math.max(0, ...seen.lost.map(({ mm2 }) => mm2));
  return [
    !thin && lostMm2 > 0 && `${lostMm2.toFixed(1)} mm² of a layer are not drawn, and walls pass`,
    seen.openTravelMm > OPEN_MM &&
      `${seen.openTravelMm.toFixed(1)} mm are crossed with the filament not drawn back`,
    !(seen.ending.isDrawnBack && seen.ending.isCold && seen.ending.liftMm > 1) &&
      'after the last line the nozzle stays where it is, or hot',
    ...holes.map(({ measured }, i) => {
      const printedMm = 2 * seen.freeMm[i];
      return (
        Math.abs(printedMm - measured) > LINE_MM &&
        `a hole of Ø ${measured} mm is drawn as Ø ${printedMm.toFixed(1)} mm`
      );
    }),
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
