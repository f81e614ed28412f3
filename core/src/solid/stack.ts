import type { Manifold } from 'manifold-3d';
import { regionAreaOf, type Region } from '../plane/index.ts';
import type { Level } from '../recipe/index.ts';
import { onGrid, regionOnGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';
import type { RegionMath } from './regionMath.ts';
import type { Scope } from './scope.ts';

/**
 * A body whose section at each level is the region grown by what the level says, and which runs straight from each
 * level to the next. Chamfers, fillets, tapers and plain prisms are all such stacks.
 *
 * Between two sections of different size the surface is the ring between their outlines, triangulated in the plane with
 * the corners of both and no others, and lifted. Seen from above it covers every point once, so that it cannot cross
 * itself, and every edge of an outline is shared by exactly what lies above and below it, so that it is closed. Something of the
 * region must be left at every level.
 */
export function stackOf(
  kernel: Kernel,
  scope: Scope,
  math: RegionMath,
  region: Region,
  levels: readonly Level[],
): Manifold {
  const base = regionOnGrid(region);
  const isPrism = levels.every(({ growMm }) => growMm === 0);
  const [first, last] = [levels[0], levels[levels.length - 1]];
  if (isPrism) {
    const section = scope.keep(kernel.CrossSection.ofPolygons(base, 'NonZero'));
    const height = onGrid(last.atMm) - onGrid(first.atMm);
    const raised = scope.keep(kernel.Manifold.extrude(section, height));
    return scope.keep(raised.translate([0, 0, onGrid(first.atMm)]));
  }

  // The outlines as the kernel sees them: sorted out, material counter-clockwise and openings clockwise.
  const clean = regionOnGrid(math.joined([base]));
  const sections = new Map<number, Region>();
  const sectionOf = (growMm: number): Region => {
    const grow = onGrid(growMm);
    let section = sections.get(grow);
    if (!section) {
      section = grow === 0 ? clean : regionOnGrid(math.grown(clean, grow, 'sharp'));
      sections.set(grow, section);
    }
    return section;
  };

  const mesh = new MeshBuilder();
  let below = mesh.add(sectionOf(first.growMm), first.atMm);
  mesh.cap(kernel, below, 'down');
  for (const { atMm, growMm } of levels.slice(1)) {
    const above = mesh.add(sectionOf(growMm), atMm);
    if (above.region === below.region) mesh.walls(below, above);
    else mesh.ring(kernel, below, above);
    below = above;
  }
  mesh.cap(kernel, below, 'up');
  return scope.keep(
    new kernel.Manifold(
      new kernel.Mesh({
        numProp: 3,
        vertProperties: Float32Array.from(mesh.positions),
        triVerts: Uint32Array.from(mesh.triangles),
      }),
    ),
  );
}

/** An outline at a height, with the number of its first corner in the mesh. */
interface Contour {
  readonly region: Region;
  readonly start: number;
}

class MeshBuilder {
  readonly positions: number[] = [];
  readonly triangles: number[] = [];

  add(region: Region, atMm: number): Contour {
    const start = this.positions.length / 3;
    const z = onGrid(atMm);
    for (const outline of region) for (const [x, y] of outline) this.positions.push(x, y, z);
    return { region, start };
  }

  /** Closes a stack at its lower or upper end. */
  cap(kernel: Kernel, { region, start }: Contour, faces: 'up' | 'down'): void {
    for (const [a, b, c] of kernel.triangulate(region)) {
      if (faces === 'up') this.triangles.push(start + a, start + b, start + c);
      else this.triangles.push(start + a, start + c, start + b);
    }
  }

  /** Upright walls between the same outlines at two heights. */
  walls(below: Contour, above: Contour): void {
    let [low, high] = [below.start, above.start];
    for (const { length } of below.region) {
      for (let i = 0; i < length; i++) {
        const j = (i + 1) % length;
        this.triangles.push(low + i, low + j, high + j, low + i, high + j, high + i);
      }
      low += length;
      high += length;
    }
  }

  /** The surface between outlines of which one lies inside the other. */
  ring(kernel: Kernel, below: Contour, above: Contour): void {
    const shrinks = regionAreaOf(above.region) < regionAreaOf(below.region);
    const [outer, inner] = shrinks ? [below, above] : [above, below];
    // The inner outlines are openings in the outer ones; each of their corners keeps its own number.
    const corners: number[] = [];
    const flat: Region = [];
    let at = outer.start;
    for (const outline of outer.region) {
      flat.push(outline);
      for (let i = 0; i < outline.length; i++) corners.push(at++);
    }
    at = inner.start;
    for (const outline of inner.region) {
      flat.push(outline.toReversed());
      for (let i = outline.length - 1; i >= 0; i--) corners.push(at + i);
      at += outline.length;
    }
    for (const [a, b, c] of kernel.triangulate(flat)) {
      if (shrinks) this.triangles.push(corners[a], corners[b], corners[c]);
      else this.triangles.push(corners[a], corners[c], corners[b]);
    }
  }
}
