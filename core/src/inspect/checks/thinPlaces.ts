import { sectionAt, type Vec3 } from '../../mesh/index.ts';
import { OutlineRuns, thinWalls, type Region, type ThinWall } from '../../plane/index.ts';
import type { Check } from './check.ts';
import { wallsNearLimit, LOOK_TO } from '../measure/wallsNearLimit.ts';
import type { Finding } from '../result/inspection.ts';
import { levelSections, sectionsAt, type LevelSection } from '../measure/sections.ts';
import { thinHeightsOf, UPRIGHT } from '../measure/thinHeights.ts';
import { Strips } from '../measure/oneStrip.ts';
import { rounded, type Subject } from '../measure/subject.ts';
import { judge, worst, type Verdict } from '../result/verdict.ts';

/** Walls or slits of one width over several levels are one place if they lie as near as this, mm. */
const SAME_PLACE_MM = 2;

/** Where nothing is found near the limit, it is looked up to so many times that, in passing, for a figure. */
const GLANCE_TO = 2.5;
/** A glance is satisfied with places this far apart, mm. */
const GLANCE_MM = 1.5;

/** A place that is thin: a wall or slit between upright sides, or a floor. */
export interface ThinPlace {
  readonly mm: number;
  readonly at: Vec3;
  readonly faces: readonly number[];
  readonly isFloor?: true;
  /** The direction from one side to the other, where these are upright. */
  readonly along?: readonly [number, number];
}

/** A wall that leans or tapers is the same two layers lower or higher if it is no wider than so many times. */
const SAME_WALL = 1.5;

/** What is thin for no more than so many layers is the step of a slope, and no wall. */
const LASTING_LAYERS = 3;
/** A wall is looked for again so many layers beside, or within its own section at this share of its height. */
const BESIDE_LAYERS = 2;
const BESIDE_SHARE = 0.45;

/** What thin places are held against, and how thin a layer is. */
interface Bounds {
  readonly limitMm: number;
  readonly layerMm: number;
}

/** The walls, or the slits, of the sections of a part that come under a limit, near it, or are the thinnest there are. */
export function thinIn(subject: Subject, what: 'walls' | 'slits', { limitMm, layerMm }: Bounds): ThinPlace[] {
  const cuts = new Map<number, readonly OutlineRuns[]>();
  const cutAt = (zMm: number) => {
    const known = cuts.get(zMm) ?? sectionAt(subject.mesh, zMm).map(({ points }) => new OutlineRuns(points));
    cuts.set(zMm, known);
    return known;
  };
  const lasting = (section: LevelSection, walls: readonly ThinWall[]) =>
    walls
      .map((each) => placeOf(section, what, each))
      .filter((place) => {
        const byMm = besideMm(section, layerMm);
        const goesOn = (by: number) => isThinIn(cutAt(section.zMm + by), place, by, what);
        return goesOn(-byMm) || goesOn(byMm);
      });
  const [upToMm, furthestMm] = [LOOK_TO * limitMm, GLANCE_TO * limitMm];
  const near = (section: LevelSection) => lasting(section, wallsIn(section, what, upToMm));
  const close = [
    ...(what === 'walls'
      ? wallsNearLimit(subject, limitMm).flatMap(({ section, walls }) => lasting(section, walls))
      : levelSections(subject).flatMap(near)),
    ...sectionsAt(subject, thinHeightsOf(subject, what, { upToMm, furthestMm, most: 6 }), true).flatMap(near),
  ];
  if (close.length > 0) return [...close, ...thinnerBeside(subject, close, near)];
  const glanced = [
    ...levelSections(subject),
    ...sectionsAt(subject, thinHeightsOf(subject, what, { upToMm: furthestMm, furthestMm, most: 2 }), true),
  ];
  return glanced.flatMap((section) => lasting(section, wallsIn(section, what, furthestMm, GLANCE_MM)));
}

/**
 * Holds the thin places of a part against a limit; those that lie over each other are told of once. Measured is the
 * thinnest of all, also when it passes; nothing if there is none.
 *
 * @param say the sentence for a place of a width
 */
export function thinPlaces(
  subject: Subject,
  places: readonly ThinPlace[],
  limitMm: number,
  say: (widthMm: number, verdict: Verdict, isFloor: boolean) => string,
): ReturnType<Check['inspect']> {
  const found = [...places].sort((a, b) => a.mm - b.mm);
  const told: { isFloor: boolean; finding: Finding }[] = [];
  const strips = new Strips(subject);
  for (const { mm, at, faces, isFloor = false } of found) {
    const verdict = judge(mm, 'atLeast', limitMm);
    if (verdict === 'pass') break;
    const isSame = ({ finding, ...other }: (typeof told)[number]) =>
      other.isFloor === isFloor &&
      (Math.hypot(finding.at[0] - at[0], finding.at[1] - at[1]) < SAME_PLACE_MM ||
        (!isFloor && strips.areOne({ at: finding.at, mm: finding.measured }, { at, mm })));
    const near = told.find(isSame);
    if (near) {
      const { triangles } = near.finding;
      triangles.push(...faces.filter((face) => !triangles.includes(face)));
      continue;
    }
    told.push({
      isFloor,
      finding: {
        verdict,
        measured: rounded(mm),
        unit: 'mm',
        at: at.map(rounded) as Finding['at'],
        message: say(mm, verdict, isFloor),
        steps: [],
        triangles: [...faces],
      },
    });
  }
  const findings = told.map(({ finding }) => ({ ...finding, steps: subject.stepsOf(finding.triangles) }));
  return {
    verdict: worst(findings.map(({ verdict }) => verdict)),
    measured: found.length > 0 ? rounded(found[0].mm) : null,
    limit: limitMm,
    unit: 'mm',
    rule: 'atLeast',
    findings,
  };
}

/** The thinnest place is followed upwards and downwards in steps that are halved each time, mm. */
const STEPS_MM = [0.32, 0.16, 0.08, 0.04];

/** The places beside the thinnest of those that lean, if they are thinner still. */
function thinnerBeside(
  subject: Subject,
  places: readonly ThinPlace[],
  near: (section: LevelSection) => ThinPlace[],
): ThinPlace[] {
  let thinnest = places.reduce((a, b) => (b.mm < a.mm ? b : a));
  const { normals } = subject.faces;
  if (thinnest.faces.every((face) => Math.abs(normals[3 * face + 2]) < UPRIGHT)) return [];
  const found: ThinPlace[] = [];
  for (const stepMm of STEPS_MM) {
    const heights = [thinnest.at[2] - stepMm, thinnest.at[2] + stepMm];
    for (const place of sectionsAt(subject, heights, true).flatMap(near)) {
      if (place.mm >= thinnest.mm) continue;
      thinnest = place;
      found.push(place);
    }
  }
  return found;
}

/** How far beside a section its walls have to be as thin, mm: less where the section is like all between two levels. */
function besideMm({ heightMm }: LevelSection, layerMm: number): number {
  const isLasting = heightMm > LASTING_LAYERS * layerMm - layerMm / 10;
  return Math.min(BESIDE_LAYERS * layerMm, isLasting ? BESIDE_SHARE * heightMm : Infinity);
}

/** A wall that leans is looked for so far beside where it stood, mm. */
const SHIFTED_MM = 1;

/** The sides of a wall may lean towards each other by thirty degrees, as in a section; a ridge or a spike that is blunter is a sound corner. */
const TAPER = 2 * Math.tan((15 * Math.PI) / 180);
const ROUNDING_MM = 0.01;

/**
 * Whether what is thin in a section is as thin in one that is so much higher, seen along the line across it. The top of a dome, of a
 * rod that lies or of a hill is narrow for a moment, and no wall.
 */
function isThinIn(
  outlines: readonly OutlineRuns[],
  { at, mm, along }: ThinPlace,
  byMm: number,
  what: 'walls' | 'slits',
): boolean {
  const mostMm = TAPER * Math.abs(byMm) + ROUNDING_MM;
  const crossed = crossingsAlong(outlines, at, along!);
  // Between the first and the second crossing is material, and between the second and the third air.
  for (let i = what === 'walls' ? 0 : 1; i + 1 < crossed.length; i += 2) {
    const [from, to] = [crossed[i], crossed[i + 1]];
    const isNear = from < SHIFTED_MM && to > -SHIFTED_MM;
    const [widest, narrowest] = [Math.max(to - from, mm), Math.min(to - from, mm)];
    if (isNear && widest <= SAME_WALL * narrowest && widest - narrowest <= mostMm) return true;
  }
  return false;
}

/** So far along a line it is followed to both sides, mm: through all that a printer can make. */
const FAR_MM = 1e4;

/** How far along a line from a place the outlines of a section cross it, mm, in their order. */
function crossingsAlong(
  outlines: readonly OutlineRuns[],
  [x, y]: Vec3,
  [ux, uy]: readonly [number, number],
): number[] {
  const crossings: number[] = [];
  const [from, to] = [
    [x - FAR_MM * ux, y - FAR_MM * uy],
    [x + FAR_MM * ux, y + FAR_MM * uy],
  ] as const;
  for (const runs of outlines) {
    runs.alongWay(from, to, ([ax, ay], [bx, by]) => {
      const a = (ax - x) * uy - (ay - y) * ux;
      const b = (bx - x) * uy - (by - y) * ux;
      if (a < 0 === b < 0) return;
      const share = a / (a - b);
      crossings.push((ax + share * (bx - ax) - x) * ux + (ay + share * (by - ay) - y) * uy);
    });
  }
  return crossings.sort((a, b) => a - b);
}

type Outlined = Pick<LevelSection, 'zMm' | 'outlines'>;

/** The walls of a section, or its slits: seen from the air, those are the walls. */
function wallsIn(
  { outlines }: Outlined,
  what: 'walls' | 'slits',
  upToMm: number,
  apartMm?: number,
): ThinWall[] {
  if (outlines.length === 0) return [];
  const region: Region = outlines.map(({ points }) => (what === 'slits' ? points.toReversed() : points));
  return thinWalls(region, upToMm, apartMm);
}

function placeOf(
  { zMm, outlines }: Outlined,
  what: 'walls' | 'slits',
  { widthMm, at, across, outline, edges }: ThinWall,
): ThinPlace {
  const { faces } = outlines[outline];
  const faceOf = (edge: number) =>
    faces[what === 'slits' ? (2 * faces.length - 2 - edge) % faces.length : edge];
  const middle: Vec3 = [(at[0] + across[0]) / 2, (at[1] + across[1]) / 2, zMm];
  const along = [(across[0] - at[0]) / widthMm, (across[1] - at[1]) / widthMm] as const;
  return { mm: widthMm, at: middle, along, faces: [...new Set(edges.map(faceOf))] };
}
