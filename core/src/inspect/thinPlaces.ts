import { sectionAt } from '../mesh/index.ts';
import { thinWalls, type Region } from '../plane/index.ts';
import type { Check } from './check.ts';
import type { Finding } from './inspection.ts';
import { levelSections, type LevelSection } from './sections.ts';
import { rounded, type Subject } from './subject.ts';
import { judge, worst, type Verdict } from './verdict.ts';

/** Walls or slits of one width over several levels are one place if they lie as near as this, mm. */
const SAME_PLACE_MM = 2;

/** How many times the limit is looked up to, so that a part that passes closely has a figure as well. */
const LOOK_TO = 1.25;

/**
 * Looks through the sections of a part for walls, or for slits, narrower than a limit. Measured is the narrowest of all,
 * also when it passes; nothing if none is narrower than a quarter over the limit.
 *
 * @param say the sentence for one of a width
 */
export function thinPlaces(
  subject: Subject,
  what: 'walls' | 'slits',
  limitMm: number,
  layerMm: number,
  say: (widthMm: number, verdict: Verdict) => string,
): ReturnType<Check['inspect']> {
  const upToMm = LOOK_TO * limitMm;
  const found = levelSections(subject)
    .flatMap((section) =>
      thinIn(section, what, upToMm).filter(
        (place) =>
          section.heightMm >= layerMm || goesDown(subject, section.zMm - 2 * layerMm, place, what, upToMm),
      ),
    )
    .sort((a, b) => a.widthMm - b.widthMm);
  const findings: Finding[] = [];
  for (const { widthMm, at, faces } of found) {
    const verdict = judge(widthMm, 'atLeast', limitMm);
    if (verdict === 'pass') break;
    const near = findings.find(
      (other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) < SAME_PLACE_MM,
    );
    if (near) {
      near.triangles.push(...faces.filter((face) => !near.triangles.includes(face)));
      continue;
    }
    findings.push({
      verdict,
      measured: rounded(widthMm),
      unit: 'mm',
      at: at.map(rounded) as Finding['at'],
      message: say(widthMm, verdict),
      steps: [],
      triangles: [...faces],
    });
  }
  for (const finding of findings) finding.steps = subject.stepsOf(finding.triangles);
  return {
    verdict: worst(findings.map(({ verdict }) => verdict)),
    measured: found.length > 0 ? rounded(found[0].widthMm) : null,
    limit: limitMm,
    unit: 'mm',
    rule: 'atLeast',
    findings,
  };
}

/**
 * Whether what is thin in a section is thin two layers lower as well. The top of a dome or of a rod that lies is narrow for
 * a moment, and no wall.
 */
function goesDown(
  subject: Subject,
  zMm: number,
  { at }: { readonly at: readonly number[] },
  what: 'walls' | 'slits',
  upToMm: number,
): boolean {
  const below = { zMm, heightMm: 0, outlines: sectionAt(subject.mesh, zMm) };
  return thinIn(below, what, upToMm).some(
    (other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) < SAME_PLACE_MM,
  );
}

function thinIn({ zMm, outlines }: LevelSection, what: 'walls' | 'slits', upToMm: number) {
  // Seen from the air, the slits between walls are the walls.
  const isAir = what === 'slits';
  if (outlines.length === 0) return [];
  const region: Region = outlines.map(({ points }) => (isAir ? points.toReversed() : points));
  return thinWalls(region, upToMm).map(({ widthMm, at, across, outline, edges }) => {
    const { faces } = outlines[outline];
    const faceOf = (edge: number) => faces[isAir ? (2 * faces.length - 2 - edge) % faces.length : edge];
    const middle = [(at[0] + across[0]) / 2, (at[1] + across[1]) / 2, zMm];
    return { widthMm, at: middle, faces: [...new Set(edges.map(faceOf))] };
  });
}
