import type { Amount, Asked, Point } from '@kelbrin/core/recipe';
import { drawingTexts as say } from '../../texts/drawing';

/** What is marked in a drawing, by index, in the order in which it was marked. */
export interface Marks {
  readonly points: readonly number[];
  readonly edges: readonly number[];
}

/** What has to be known of a drawing to say what can be asked of it. */
export interface Drawn {
  readonly at: readonly Point[];
  /** How each edge bends, 0 where it is straight. */
  readonly bends: readonly number[];
}

/** Something that can be asked of what is marked. */
export type Ask =
  | { readonly how: 'tap'; readonly label: string; readonly asked: readonly Asked[] }
  | {
      readonly how: 'number';
      readonly label: string;
      /** What it measures now. */
      readonly now: number;
      readonly unit: 'mm' | '°';
      readonly min: number;
      readonly max: number;
      asked(value: Amount): Asked;
    };

/** What can be asked of the marked points and edges; nothing where they do not go together. */
export function asksFor({ points, edges }: Marks, drawn: Drawn): Ask[] {
  if (points.length === 0 && edges.length === 1) return askEdge(edges[0], drawn);
  if (points.length === 0 && edges.length > 1) return askEdges(edges, drawn);
  if (points.length === 1 && edges.length === 0) return askPoint(points[0], drawn);
  if (points.length === 2 && edges.length === 0) return askTwo(points[0], points[1], drawn);
  if (points.length === 3 && edges.length === 0) return [askAngle([points[0], points[1], points[2]], drawn)];
  if (points.length === 1 && edges.length === 1) return askBeside(points[0], edges[0], drawn);
  if (points.length === 2 && edges.length === 1)
    return [tap(say.mirrorImagesIn, { kind: 'symmetric', points: [points[0], points[1]], mirror: edges[0] })];
  return [];
}

function askEdge(edge: number, { at, bends }: Drawn): Ask[] {
  const after = (edge + 1) % at.length;
  const [[ax, ay], [bx, by]] = [at[edge], at[after]];
  const chordMm = Math.hypot(bx - ax, by - ay);
  const ends = length(bends[edge] === 0 ? say.length : say.endToEnd, [edge, after], 'straight', chordMm);
  if (bends[edge] !== 0) {
    const turn = 2 * Math.atan(Math.abs(bends[edge]));
    const radius: Ask = {
      how: 'number',
      label: say.radius,
      now: chordMm / (2 * Math.sin(turn)),
      unit: 'mm',
      min: 0.1,
      max: 1000,
      asked: (radiusMm) => ({ kind: 'radius', edge, radiusMm }),
    };
    return [radius, ends];
  }
  const slope = (Math.atan2(by - ay, bx - ax) * 180) / Math.PI;
  return [
    ends,
    tap(say.level, { kind: 'level', points: [edge, after] }),
    tap(say.upright, { kind: 'upright', points: [edge, after] }),
    {
      how: 'number',
      label: say.slope,
      // A slope is the same from either end.
      now: slope > 90 ? slope - 180 : slope <= -90 ? slope + 180 : slope,
      unit: '°',
      min: -180,
      max: 180,
      asked: (degrees) => ({ kind: 'slant', edge, degrees }),
    },
  ];
}

function askEdges(edges: readonly number[], { at, bends }: Drawn): Ask[] {
  const [first, ...others] = edges;
  const each = (kind: 'equal' | 'parallel'): Asked[] =>
    others.map((edge) => ({ kind, edges: [first, edge] }));
  const asks: Ask[] = [{ how: 'tap', label: say.equal, asked: each('equal') }];
  const areStraight = edges.every((edge) => bends[edge] === 0);
  if (areStraight) asks.push({ how: 'tap', label: say.sameWay, asked: each('parallel') });
  if (edges.length > 2) return asks;
  const pair: [number, number] = [edges[0], edges[1]];
  const areNeighbours = (a: number, b: number) => (a + 1) % at.length === b;
  if (areStraight) asks.push(tap(say.rightAngle, { kind: 'square', edges: pair }));
  if (edges.every((edge) => bends[edge] !== 0))
    asks.push(tap(say.sameCentre, { kind: 'sameCentre', edges: pair }));
  if (!areStraight) asks.push(tap(say.touching, { kind: 'touching', edges: pair }));
  const corner = areNeighbours(pair[0], pair[1])
    ? pair[1]
    : areNeighbours(pair[1], pair[0])
      ? pair[0]
      : undefined;
  if (corner !== undefined && areStraight) asks.push(askCorner(corner, { at, bends }));
  return asks;
}

function askPoint(point: number, drawn: Drawn): Ask[] {
  const [xMm, yMm] = drawn.at[point].map((mm) => Math.round(mm * 100) / 100);
  return [
    tap(say.staysHere, { kind: 'held', point, xMm, yMm }),
    tap(say.onMiddleLine, { kind: 'onAxis', point }),
    askCorner(point, drawn),
  ];
}

function askTwo(a: number, b: number, { at }: Drawn): Ask[] {
  const [[ax, ay], [bx, by]] = [at[a], at[b]];
  return [
    length(say.apart, [a, b], 'straight', Math.hypot(bx - ax, by - ay)),
    length(say.across, [a, b], 'across', Math.abs(bx - ax)),
    length(say.up, [a, b], 'up', Math.abs(by - ay)),
    tap(say.oneHeight, { kind: 'level', points: [a, b] }),
    tap(say.oneAbove, { kind: 'upright', points: [a, b] }),
    tap(say.mirrorImages, { kind: 'symmetric', points: [a, b] }),
  ];
}

function askBeside(point: number, edge: number, { at, bends }: Drawn): Ask[] {
  const [[x, y], [ax, ay], [bx, by]] = [at[point], at[edge], at[(edge + 1) % at.length]];
  const chordMm = Math.hypot(bx - ax, by - ay);
  const asks: Ask[] = [tap(say.onIt, { kind: 'beside', point, edge, gapMm: 0 })];
  if (bends[edge] !== 0) return asks;
  return [
    {
      how: 'number',
      label: say.beside,
      now: Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / chordMm,
      unit: 'mm',
      min: 0,
      max: 1000,
      asked: (gapMm) => ({ kind: 'beside', point, edge, gapMm }),
    },
    ...asks,
    tap(say.inMiddle, { kind: 'inMiddle', point, edge }),
  ];
}

/** The angle between the edges that meet at a point. */
function askCorner(point: number, drawn: Drawn): Ask {
  const { length: count } = drawn.at;
  return askAngle([(point + count - 1) % count, point, (point + 1) % count], drawn);
}

function askAngle(points: [number, number, number], { at }: Drawn): Ask {
  const [[ax, ay], [x, y], [bx, by]] = points.map((i) => at[i]);
  const between = Math.atan2(by - y, bx - x) - Math.atan2(ay - y, ax - x);
  const turns = Math.abs(between) % (2 * Math.PI);
  return {
    how: 'number',
    label: say.angle,
    now: (Math.min(turns, 2 * Math.PI - turns) * 180) / Math.PI,
    unit: '°',
    min: 0,
    max: 180,
    asked: (degrees) => ({ kind: 'angle', points, degrees }),
  };
}

function length(
  label: string,
  points: [number, number],
  measured: 'straight' | 'across' | 'up',
  now: number,
): Ask {
  return {
    how: 'number',
    label,
    now,
    unit: 'mm',
    min: 0,
    max: 1000,
    asked: (lengthMm) => ({ kind: 'apart', points, measured, lengthMm }),
  };
}

function tap(label: string, asked: Asked): Ask {
  return { how: 'tap', label, asked: [asked] };
}
