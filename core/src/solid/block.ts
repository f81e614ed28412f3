import type { Manifold } from 'manifold-3d';
import type { Pose } from '../mesh/index.ts';
import { extentOf, moved, reversed, type Range, type Region } from '../plane/index.ts';
import type { Operation } from '../recipe/index.ts';
import { ContourMesh, flipped, triangulated, type Contour } from './contourMesh.ts';
import { frameOf, type FeatureShape } from './featureShape.ts';
import type { Kernel } from './kernel.ts';
import type { Scope } from './scope.ts';
import { drawSides, type Section } from './stack.ts';

/**
 * An upright body, and what was done to it from above: holes right through, pockets and things raised on its top, none
 * of which touches another or the edge. Plates with letters and holes are such blocks, and so are most parts of a
 * classroom while they are being drawn.
 */
export interface Block {
  readonly sections: readonly Section[];
  /** The lowest section's, wherever it was moved. */
  readonly shape: FeatureShape;
  /** The kernel's number of the surface that the upright body has. */
  readonly original: number;
  readonly features: readonly Feature[];
}

interface Feature {
  readonly region: Region;
  readonly shape: FeatureShape;
  readonly x: Range;
  readonly y: Range;
  /** Where it ends: over the top if it is raised, under it if it is a pocket; nowhere if it goes right through. */
  readonly toMm?: number;
  readonly original: number;
}

/** The body of a block. Its surfaces are known by their numbers, where the block has one. */
export function bodyOfBlock(kernel: Kernel, block: Omit<Block, 'shape'>): Manifold {
  const { sections, original, features } = block;
  const mesh = new ContourMesh();
  if (original >= 0) mesh.belongsTo(original);
  const { bottom, top } = drawSides(kernel, mesh, sections);
  const [lowMm, highMm] = [sections[0].atMm, sections[sections.length - 1].atMm];

  // What each feature takes out of the two ends, and its own outlines at its lower and its upper end.
  const under: Contour[] = [bottom];
  const over: Contour[] = [top];
  const sides: { below: Contour; above: Contour; feature: Feature }[] = [];
  for (const feature of features) {
    const { region, shape, toMm = lowMm } = feature;
    const isRaised = toMm > highMm;
    const outlines = isRaised ? region : reversed(region);
    const below = mesh.add(outlines, isRaised ? highMm : toMm);
    const above = mesh.add(outlines, isRaised ? toMm : highMm);
    const isFramed = shape.isIntricate && hasRoomForFrame(feature, block);
    const takesOut = (from: Contour[], contour: Contour, facing: 'up' | 'down') => {
      if (!isFramed) return from.push(contour);
      const frame = mesh.add(frameOf(feature.x, feature.y), facing === 'up' ? highMm : lowMm);
      mesh.face([frame, contour], shape.around(kernel), facing);
      return from.push(flipped(frame));
    };
    takesOut(over, isRaised ? flipped(below) : above, 'up');
    if (feature.toMm === undefined) takesOut(under, below, 'down');
    sides.push({ below, above, feature });
  }

  const lower = triangulated(kernel, under);
  mesh.face(under, lower, 'down');
  // Triangulating is most of the work for an outline with many openings, and both ends often have the same.
  const isSame = top.region === bottom.region && under.length === over.length;
  mesh.face(over, isSame ? lower : triangulated(kernel, over), 'up');
  for (const { below, above, feature } of sides) {
    mesh.belongsTo(feature.original);
    mesh.walls(below, above);
    if (feature.toMm === undefined) continue;
    mesh.face([feature.toMm > highMm ? above : flipped(below)], feature.shape.within(kernel), 'up');
  }
  return new kernel.Manifold(mesh.in(kernel));
}

/** Whether the frame of a feature lies well inside the faces that it is in, and clear of all other features and their frames. */
function hasRoomForFrame(
  feature: Feature,
  { sections, features }: Pick<Block, 'sections' | 'features'>,
): boolean {
  const { x, y } = extentOf(frameOf(feature.x, feature.y));
  const isClear = features.every((each) => {
    if (each === feature) return true;
    const other = extentOf(frameOf(each.x, each.y));
    return !(meet(other.x, x) && meet(other.y, y));
  });
  const ends = [sections[sections.length - 1], ...(feature.toMm === undefined ? [sections[0]] : [])];
  return isClear && ends.every(({ region }) => isWellInside(x, y, region));
}

/**
 * Remembers which of the kernel's bodies are blocks. What is added to or cut from one is then drawn in the plane, where
 * the kernel would look for crossings in space; the surface that comes out is the same.
 */
export class Blocks {
  readonly #known = new WeakMap<Manifold, Block>();

  note(body: Manifold, block: Block): Manifold {
    this.#known.set(body, block);
    return body;
  }

  /** Notes that a body is another one, moved; those that were turned are left to the kernel. */
  noteMoved(body: Manifold, from: Manifold, pose: Pose): Manifold {
    const block = this.#known.get(from);
    const isShift = [0, 5, 10].every((i) => pose[i] === 1) && [1, 2, 4, 6, 8, 9].every((i) => pose[i] === 0);
    if (!block || !isShift || block.features.length > 0) return body;
    const [dx, dy, dz] = [pose[12], pose[13], pose[14]];
    // Sections that share their outlines go on to share them, which is how walls are told from rings.
    const shifted = new Map<Region, Region>();
    const sections = block.sections.map(({ atMm, region }) => {
      const there = shifted.get(region) ?? moved(region, dx, dy);
      shifted.set(region, there);
      return { atMm: atMm + dz, region: there };
    });
    return this.note(body, { ...block, sections });
  }

  /** The part with all that is added or cut, if part and bodies are such that this is a block again; undefined if not. */
  applied(
    kernel: Kernel,
    scope: Scope,
    part: Manifold,
    effect: Operation<Manifold>['effect'],
    bodies: readonly Manifold[],
  ): Manifold | undefined {
    let block = this.#known.get(part);
    for (const body of bodies) {
      const other = this.#known.get(body);
      block = block && other && effect !== 'keep' ? withFeature(block, other, effect) : undefined;
      if (!block) return undefined;
    }
    return block && this.note(scope.keep(bodyOfBlock(kernel, block)), block);
  }
}

/** The block with another one added to it or cut from it, if it is a feature that touches nothing. */
function withFeature(block: Block, other: Block, effect: 'add' | 'cut'): Block | undefined {
  const { sections, features } = block;
  const [{ atMm: lowMm }, { atMm: highMm }] = [sections[0], sections[sections.length - 1]];
  const [from, to] = [other.sections[0], other.sections[other.sections.length - 1]];
  const isPrism = other.sections.every(({ region }) => region === from.region);
  if (!isPrism || other.features.length > 0 || to.atMm <= highMm) return undefined;
  const reaches = effect === 'add' ? from.atMm > lowMm && from.atMm <= highMm : from.atMm < highMm;
  // A cut that ends in the bottom's plane would leave a sheet without thickness.
  if (!reaches || from.atMm === lowMm) return undefined;
  const isThrough = effect === 'cut' && from.atMm < lowMm;

  const { x, y } = extentOf(from.region);
  if (features.some((each) => meet(each.x, x) && meet(each.y, y))) return undefined;
  const outer = new Set(sections.map(({ region }) => region));
  if (![...outer].every((region) => isWellInside(x, y, region))) return undefined;
  const toMm = effect === 'add' ? to.atMm : isThrough ? undefined : from.atMm;
  const feature: Feature = { region: from.region, shape: other.shape, x, y, toMm, original: other.original };
  return { ...block, features: [...features, feature] };
}

function meet(a: Range, b: Range): boolean {
  return a.low <= b.high && b.low <= a.high;
}

/** Whether an upright rectangle lies in a region without touching its edge. */
function isWellInside(x: Range, y: Range, region: Region): boolean {
  const [px, py] = [x.low, y.low];
  let isInside = false;
  for (const outline of region) {
    for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
      const [[ax, ay], [bx, by]] = [outline[j], outline[i]];
      const isNear =
        Math.min(ax, bx) <= x.high &&
        Math.max(ax, bx) >= x.low &&
        Math.min(ay, by) <= y.high &&
        Math.max(ay, by) >= y.low;
      if (isNear) {
        // The edge still passes by if all corners of the rectangle lie on one side of it.
        const side = (cx: number, cy: number) => Math.sign((bx - ax) * (cy - ay) - (by - ay) * (cx - ax));
        const first = side(px, py);
        if (first === 0) return false;
        if (side(x.high, py) !== first || side(x.high, y.high) !== first || side(px, y.high) !== first)
          return false;
      }
      // One corner tells for all of them: counted are the edges that a ray to the right passes.
      if (ay > py !== by > py && px < ax + ((py - ay) / (by - ay)) * (bx - ax)) isInside = !isInside;
    }
  }
  return isInside;
}
