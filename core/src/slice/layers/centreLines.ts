import { Delaunay } from 'd3-delaunay';
import simplify from 'simplify-js';
import type { Point, Region } from '../../plane/index.ts';

/** A line along the middle of a thin place, as wide as the place is. */
export interface Stroke {
  readonly points: readonly Point[];
  readonly closed: boolean;
  readonly widthMm: number;
}

/** How far apart the outline is sampled. */
const SAMPLE_MM = 0.1;
/**
 * A point of the middle has a nearest point of the outline on either side. Seen from it these lie opposite each other,
 * or nearly; on the branches that run into square corners they do not. The share is the sine of half the angle.
 */
const OPPOSITE = 0.8;
/** A branch is only the way from a crossing into a corner unless it is so many times as long as the place is wide there, halved. */
const BRANCH = 1.6;
/** A line goes on in one width while the place is no more than this share wider or narrower. */
const SAME_WIDTH = 0.1;
/** Before this, it is not cut: a nozzle cannot change its flow so soon. */
const LEAST_LENGTH_MM = 0.4;
/** Corners that stray no further than this from the straight line come from sampling. */
const STRAIGHT_MM = 0.01;
const COINCIDENT_MM = 1e-6;
const MOST_NODES = 2 ** 26;

/** A crossing or bend of the middle lines, with its distance from the outline. */
interface Node {
  readonly at: Point;
  readonly radiusMm: number;
  readonly neighbours: number[];
  /** How wide the place is on the way to each neighbour. */
  readonly widthsMm: number[];
}

/**
 * The lines along the middle of a region that is thin everywhere, where it is at least `leastMm` wide. The middle is
 * found as those edges of the Voronoi diagram of points along the outline that run inside, between opposite sides.
 */
export function centreLines(region: Region, leastMm: number): Stroke[] {
  const nodes = middleOf(region, leastMm);
  return chainsOf(nodes).flatMap((chain) => strokesAlong(chain, nodes));
}

/** The graph of the middle lines, by the number of the triangle whose circumcentre a node is. */
function middleOf(region: Region, leastMm: number): Map<number, Node> {
  const { coordinates, tangents } = sampled(region);
  const nodes = new Map<number, Node>();
  if (coordinates.length < 6) return nodes;
  const delaunay = new Delaunay(coordinates);
  const { triangles, halfedges } = delaunay;
  const centres = delaunay.voronoi().circumcenters;
  const radii = new Float64Array(triangles.length / 3);
  const isInner = radii.map((_, t) => {
    const site = triangles[3 * t];
    const dx = centres[2 * t] - coordinates[2 * site];
    const dy = centres[2 * t + 1] - coordinates[2 * site + 1];
    radii[t] = Math.sqrt(dx * dx + dy * dy);
    // Material lies to the left of its outline.
    return tangents[2 * site] * dy - tangents[2 * site + 1] * dx > 0 ? 1 : 0;
  });
  const nodeOf = (t: number): Node => {
    let node = nodes.get(t);
    if (!node) {
      node = { at: [centres[2 * t], centres[2 * t + 1]], radiusMm: radii[t], neighbours: [], widthsMm: [] };
      nodes.set(t, node);
    }
    return node;
  };
  for (let e = 0; e < halfedges.length; e++) {
    if (e > halfedges[e]) continue;
    const [t, u] = [Math.floor(e / 3), Math.floor(halfedges[e] / 3)];
    if (!isInner[t] || !isInner[u]) continue;
    const [a, b] = [triangles[e], triangles[e % 3 === 2 ? e - 2 : e + 1]];
    const apart = Math.sqrt(
      (coordinates[2 * a] - coordinates[2 * b]) ** 2 + (coordinates[2 * a + 1] - coordinates[2 * b + 1]) ** 2,
    );
    const x = (centres[2 * t] + centres[2 * u]) / 2 - coordinates[2 * a];
    const y = (centres[2 * t + 1] + centres[2 * u + 1]) / 2 - coordinates[2 * a + 1];
    const across = 2 * Math.sqrt(x * x + y * y);
    if (across < leastMm || apart < OPPOSITE * across) continue;
    const [from, to] = [nodeOf(t), nodeOf(u)];
    from.neighbours.push(u);
    from.widthsMm.push(across);
    to.neighbours.push(t);
    to.widthsMm.push(across);
  }
  return nodes;
}

/** Points along the outlines, no further apart than {@link SAMPLE_MM}, and the direction of the outline at each. */
function sampled(region: Region): { coordinates: Float64Array; tangents: Float64Array } {
  const piecesOf = ([ax, ay]: Point, [bx, by]: Point) =>
    Math.max(1, Math.ceil(Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2) / SAMPLE_MM));
  const counts = region.map((outline) =>
    outline.reduce((sum, from, i) => sum + piecesOf(from, outline[(i + 1) % outline.length]), 0),
  );
  const coordinates = new Float64Array(2 * counts.reduce((sum, count) => sum + count, 0));
  const tangents = new Float64Array(coordinates.length);
  let first = 0;
  for (const [number, outline] of region.entries()) {
    let at = 2 * first;
    for (const [i, from] of outline.entries()) {
      const to = outline[(i + 1) % outline.length];
      const pieces = piecesOf(from, to);
      for (let k = 0; k < pieces; k++) {
        coordinates[at++] = from[0] + ((to[0] - from[0]) * k) / pieces;
        coordinates[at++] = from[1] + ((to[1] - from[1]) * k) / pieces;
      }
    }
    const count = counts[number];
    for (let i = 0; i < count; i++) {
      const before = 2 * (first + ((i + count - 1) % count));
      const after = 2 * (first + ((i + 1) % count));
      tangents[2 * (first + i)] = coordinates[after] - coordinates[before];
      tangents[2 * (first + i) + 1] = coordinates[after + 1] - coordinates[before + 1];
    }
    first += count;
  }
  return { coordinates, tangents };
}

/** The graph taken apart into lines without branches, each from one end or crossing to the next; loops come back to where they began. */
function chainsOf(nodes: ReadonlyMap<number, Node>): number[][] {
  const chains: number[][] = [];
  /** By the numbers of both ends of each way, put into one. */
  const walked = new Set<number>();
  const walk = (from: number, to: number): void => {
    const chain = [from];
    let [last, next] = [from, to];
    for (;;) {
      const way = Math.min(last, next) * MOST_NODES + Math.max(last, next);
      if (walked.has(way)) return void (chain.length > 1 && chains.push(chain));
      walked.add(way);
      chain.push(next);
      const { neighbours } = nodes.get(next)!;
      if (neighbours.length !== 2 || next === from) return void chains.push(chain);
      [last, next] = [next, neighbours[0] === last ? neighbours[1] : neighbours[0]];
    }
  };
  const begin = (isBeginning: (node: Node) => boolean) => {
    for (const [id, node] of nodes) if (isBeginning(node)) for (const to of node.neighbours) walk(id, to);
  };
  begin(({ neighbours }) => neighbours.length !== 2);
  begin(() => true);
  return chains.filter((chain) => !isStub(chain.map((id) => nodes.get(id)!)));
}

/** Whether a line is only the way from the middle of a crossing to its edge or into a corner. */
function isStub(chain: readonly Node[]): boolean {
  const ends = [chain[0], chain[chain.length - 1]];
  const free = ends.filter(({ neighbours }) => neighbours.length === 1).length;
  const crossing = ends.find(({ neighbours }) => neighbours.length > 2);
  return free === 1 && crossing !== undefined && lengthAlong(chain) < BRANCH * crossing.radiusMm;
}

function lengthAlong(nodes: readonly Node[]): number {
  return nodes.slice(1).reduce((sum, node, i) => sum + distance(node.at, nodes[i].at), 0);
}

/** A line cut where its width changes; its free ends reach on towards the edge. */
function strokesAlong(ids: readonly number[], nodes: ReadonlyMap<number, Node>): Stroke[] {
  const chain = ids.map((id) => nodes.get(id)!);
  const widthAfter = (i: number) => chain[i].widthsMm[chain[i].neighbours.indexOf(ids[i + 1])];
  const way = [reachingOn(chain), ...chain.map(({ at }) => at), reachingOn(chain.toReversed())];
  const widths = chain.slice(1).map((_, i) => widthAfter(i));
  const widthsMm = [widths[0], ...widths, widths[widths.length - 1]];

  const strokes: Stroke[] = [];
  let points: Point[] = [way[0]];
  let length = 0;
  let area = 0;
  for (const [i, widthMm] of widthsMm.entries()) {
    const step = distance(way[i], way[i + 1]);
    // Where the outline is sampled alike on both sides, nodes lie upon each other.
    if (step < COINCIDENT_MM) continue;
    if (length > LEAST_LENGTH_MM && Math.abs((widthMm * length) / area - 1) > SAME_WIDTH) {
      strokes.push({ points: straightened(points), closed: false, widthMm: area / length });
      [points, length, area] = [[way[i]], 0, 0];
    }
    points.push(way[i + 1]);
    length += step;
    area += step * widthMm;
  }
  if (length === 0) return strokes;
  const closed = strokes.length === 0 && chain.length > 3 && ids[0] === ids[ids.length - 1];
  if (closed) points.pop();
  strokes.push({ points: straightened(points), closed, widthMm: area / length });
  return strokes;
}

/** Where a line ends: at a free end halfway on from the last middle to the edge, in the direction in which it comes. */
function reachingOn(fromEnd: readonly Node[]): Point {
  const [{ at, radiusMm, neighbours }] = fromEnd;
  // Close nodes say little of the direction.
  const before = fromEnd.find((node) => distance(node.at, at) >= radiusMm) ?? fromEnd[fromEnd.length - 1];
  const away = distance(at, before.at);
  if (neighbours.length !== 1 || away === 0) return at;
  const share = radiusMm / 2 / away;
  return [at[0] + (at[0] - before.at[0]) * share, at[1] + (at[1] - before.at[1]) * share];
}

function straightened(points: readonly Point[]): Point[] {
  return simplify(
    points.map(([x, y]) => ({ x, y })),
    STRAIGHT_MM,
    true,
  ).map(({ x, y }) => [x, y]);
}

function distance([ax, ay]: Point, [bx, by]: Point): number {
  return Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2);
}
