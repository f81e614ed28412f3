import { regionAreaOf } from '../../plane/index.ts';
import { boundsOf, onlyFaces, sectionAt, sizeOf } from '../../mesh/index.ts';
import { addStep } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind, Trouble } from '../remedy.ts';
import { withFields } from './withFields.ts';
import { say } from '../../words/index.ts';

/** A little more than needed, since the area is that of a polygon. */
const MARGIN = 1.08;
/** Heights that are looked at, as steps of this, mm; more than half of a part is not cut away. */
const STEP_MM = 0.1;
/** How much of a part's height may be cut off. */
const MOST = 0.5;

/** Cuts a flat under what is round below: where it is as large as a base has to be, or where nothing leans too far. */
export const trimToBase: RemedyKind = {
  id: 'trimToBase',
  checks: ['base', 'stability', 'overhang'],
  *proposals(trouble): Generator<Proposal, void, Remedy | undefined> {
    const { recipe, now } = trouble;
    const { min } = boundsOf(now.mesh);
    const tallMm = sizeOf(boundsOf(now.mesh))[2];
    for (const mm of heightsOf(trouble, min[2], tallMm)) {
      if (mm >= MOST * tallMm) return;
      const added = addStep(recipe, 'trim');
      yield {
        words: say('Trim off the lowest {height} mm, for a flat base of {areaMm2} mm² or more', {
          height: mm,
          areaMm2: Math.floor(areaAt(trouble, min[2] + mm)),
        }),
        recipe: withFields(added, added.steps.at(-1)!.id, { away: 'below', atMm: mm }),
        cost: 1.5,
      };
    }
  },
};

/** Heights above the lowest point to cut at, the least first. */
function heightsOf(trouble: Trouble, lowestMm: number, tallMm: number): number[] {
  const { check, finding, now, limits } = trouble;
  const heights: number[] = [];
  if (check.id === 'overhang') {
    const hanging = boundsOf(onlyFaces(now.mesh, finding.triangles));
    // What hangs further up is not mended from below.
    if (hanging.min[2] < lowestMm + MOST * tallMm)
      heights.push(...[0, 1, 3].map((more) => up(hanging.max[2] - lowestMm) + more * STEP_MM));
  } else {
    const needed = MARGIN * limits.minBaseMm2;
    for (let mm = STEP_MM; mm < MOST * tallMm; mm += STEP_MM) {
      if (areaAt(trouble, lowestMm + mm) < needed) continue;
      // A lower cut may leave walls that lean too far.
      heights.push(...[1, 1.5, 2, 3].map((higher) => higher * mm));
      break;
    }
    const overhang = now.inspection.checks.find(({ id }) => id === 'overhang');
    const hanging = overhang?.findings.filter(({ verdict }) => verdict === 'fail') ?? [];
    for (const { triangles } of hanging) {
      const box = boundsOf(onlyFaces(now.mesh, triangles));
      if (box.min[2] < lowestMm + STEP_MM) heights.push(up(box.max[2] - lowestMm));
    }
  }
  return [...new Set(heights.map(up))].sort((a, b) => a - b);
}

function areaAt({ now }: Trouble, zMm: number): number {
  return regionAreaOf(sectionAt(now.mesh, zMm).map(({ points }) => points));
}

const up = (mm: number) => Math.ceil(10 * mm - 1e-6) / 10;
