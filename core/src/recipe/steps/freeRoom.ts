import { boxUnder, posed, turnedBack, type Box } from '../../mesh/index.ts';
import { extentOf, signedAreaOf, type Point, type Region } from '../../plane/index.ts';
import type { Resolved } from '../amount.ts';
import { facingPose, type Facing } from '../facing.ts';
import type { Placement, Target } from '../placement.ts';
import { spreadOf } from './placed.ts';
import type { BuildKit } from './stepKind.ts';

export type Placed = Resolved<Placement>;

/**
 * What is free of a side of a step: part of the part just under it, with nothing standing on it, so far from its edges,
 * holes and what stands on it.
 * @returns the box of the side and the free region, in the side's own right and up, mm
 */
export function freeRoom<Body>(
  kit: BuildKit<Body>,
  side: Facing,
  on: Target,
  marginMm: number,
): { face: Box; room: Region } {
  const face = boxUnder(turnedBack(facingPose(side)), kit.hostBox(on));
  const level = face.max[2];
  const below = kit.sectionFacing(side, level - SKIN_MM);
  const above = kit.sectionFacing(side, level + SKIN_MM);
  const clear = kit.without(kit.common(below, [rectangle(face)]), above);
  return { face, room: kit.grown(clear, -marginMm, 'sharp') };
}

/** A placement with its middle at a point of a side, in the side's own right and up. */
export function placedAt(placed: Placed, side: Facing, [right, up]: Point): Placed {
  // Where the local right and up point along the room's own axes, a middle is turned back into it.
  const [px, py, pz] = posed(facingPose(side), [right, up, 0]);
  const point = { x: px, y: py, z: pz };
  const [first, second] = spreadOf(side);
  return {
    ...placed,
    [first]: { relation: 'at', own: 'middle', mm: point[first] },
    [second]: { relation: 'at', own: 'middle', mm: point[second] },
  };
}

/** How far under and above a face it is looked at, mm. */
const SKIN_MM = 0.02;

function rectangle({ min, max }: Box): [number, number][] {
  return [[min[0], min[1]], [max[0], min[1]], [max[0], max[1]], [min[0], max[1]]]; // oxfmt-ignore
}

/**
 * The place in a room that lies in the middle of it both ways. It begins at the middle of the face, so that what is
 * centred on the face stays so where nothing is in the way, and moves to the middle of the longest free stretch along
 * one way and then the other.
 */
export function middleIn(room: Region, face: Box): [number, number] {
  const middle = (i: 0 | 1) => (face.min[i] + face.max[i]) / 2;
  let at: [number, number] = [middle(0), middle(1)];
  const first = longestStretch(room, 0, at[1]) ? 0 : 1;
  if (first === 1 && !longestStretch(room, 1, at[0])) {
    // Neither middle line meets the room: begin in its largest piece.
    const largest = room.reduce((best, each) => (signedAreaOf(each) > signedAreaOf(best) ? each : best));
    const { y } = extentOf([largest]);
    at = [at[0], (y.low + y.high) / 2];
  }
  for (const along of [first, 1 - first, first, 1 - first] as (0 | 1)[]) {
    const stretch = longestStretch(room, along, at[1 - along]);
    if (stretch) at = along === 0 ? [stretch.middle, at[1]] : [at[0], stretch.middle];
  }
  return at;
}

/** The longest stretch of a region along a line that runs along one axis, at a place on the other. */
function longestStretch(
  room: Region,
  along: 0 | 1,
  across: number,
): { middle: number; mm: number } | undefined {
  const cuts: number[] = [];
  for (const outline of room) {
    outline.forEach((point, i) => {
      const next = outline[(i + 1) % outline.length];
      const [a, b] = [point[1 - along], next[1 - along]];
      if (a > across === b > across) return;
      cuts.push(point[along] + ((next[along] - point[along]) * (across - a)) / (b - a));
    });
  }
  cuts.sort((p, q) => p - q);
  let longest: { middle: number; mm: number } | undefined;
  for (let i = 0; i + 1 < cuts.length; i += 2) {
    const mm = cuts[i + 1] - cuts[i];
    if (!longest || mm > longest.mm) longest = { middle: (cuts[i] + cuts[i + 1]) / 2, mm };
  }
  return longest;
}
