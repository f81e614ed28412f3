import { regionAreaOf, type Region } from '../plane/index.ts';
import { onGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';

/** Outlines at a height, with the number of their first corner in the mesh. */
export interface Contour {
  readonly region: Region;
  readonly start: number;
}

/** A closed surface that is put together from outlines at heights, corner by corner. */
export class ContourMesh {
  readonly positions: number[] = [];
  readonly triangles: number[] = [];

  add(region: Region, atMm: number): Contour {
    const start = this.positions.length / 3;
    const z = onGrid(atMm);
    for (const outline of region) for (const [x, y] of outline) this.positions.push(x, y, z);
    return { region, start };
  }

  /** Closes the lower and the upper end. */
  caps(kernel: Kernel, below: Contour, above: Contour): void {
    const lower = kernel.triangulate(below.region);
    for (const [a, b, c] of lower) this.triangles.push(below.start + a, below.start + c, below.start + b);
    // Triangulating is most of the work for an outline with many openings.
    const upper = above.region === below.region ? lower : kernel.triangulate(above.region);
    for (const [a, b, c] of upper) this.triangles.push(above.start + a, above.start + b, above.start + c);
  }

  /** Upright walls between the same outlines at two heights, outline by outline. */
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
