import type { Outline, Region } from '../plane/index.ts';
import { onGrid } from './grid.ts';
import type { Kernel } from './kernel.ts';

/** Outlines at a height, with the numbers of their corners in the mesh, outline after outline. */
export interface Contour {
  readonly region: Region;
  readonly corners: readonly number[];
}

/**
 * A closed surface that is put together from outlines at heights, corner by corner: flat faces between outlines are
 * triangulated in the plane with their corners and no others, so that neighbours share exactly their edges.
 */
export class ContourMesh {
  readonly #positions: number[] = [];
  readonly #triangles: number[] = [];
  /** Where each run of triangles begins that belong to one surface, and the surface's number. */
  readonly #runs: { readonly at: number; readonly original: number }[] = [];

  /** What follows belongs to a surface with this number. */
  belongsTo(original: number): void {
    if (this.#runs.at(-1)?.original !== original) this.#runs.push({ at: this.#triangles.length, original });
  }

  add(region: Region, atMm: number): Contour {
    const z = onGrid(atMm);
    const corners: number[] = [];
    for (const outline of region) {
      for (const [x, y] of outline) {
        corners.push(this.#positions.length / 3);
        this.#positions.push(x, y, z);
      }
    }
    return { region, corners };
  }

  /** A flat face between outlines, material to the left of each. */
  face(contours: readonly Contour[], triangles: readonly (readonly number[])[], facing: 'up' | 'down'): void {
    const corners = contours.flatMap((contour) => contour.corners);
    for (const [a, b, c] of triangles) {
      if (facing === 'up') this.#triangles.push(corners[a], corners[b], corners[c]);
      else this.#triangles.push(corners[a], corners[c], corners[b]);
    }
  }

  /** Upright walls between the same outlines at two heights, material to the left of each. */
  walls(below: Contour, above: Contour): void {
    let start = 0;
    for (const { length } of below.region) {
      for (let i = 0; i < length; i++) {
        const [a, b] = [start + i, start + ((i + 1) % length)];
        const [lowA, lowB, highA, highB] = [
          below.corners[a],
          below.corners[b],
          above.corners[a],
          above.corners[b],
        ];
        this.#triangles.push(lowA, lowB, highB, lowA, highB, highA);
      }
      start += length;
    }
  }

  /** The mesh in the kernel's form. */
  in(kernel: Kernel): InstanceType<Kernel['Mesh']> {
    const marked =
      this.#runs.length === 0
        ? {}
        : {
            runIndex: Uint32Array.from([...this.#runs.map(({ at }) => at), this.#triangles.length]),
            runOriginalID: Uint32Array.from(this.#runs.map(({ original }) => original)),
          };
    return new kernel.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(this.#positions),
      triVerts: Uint32Array.from(this.#triangles),
      ...marked,
    });
  }
}

/** The triangles between the outlines of several contours, by the place of their corners in all of them. */
export function triangulated(kernel: Kernel, contours: readonly Contour[]): [number, number, number][] {
  return kernel.triangulate(contours.flatMap(({ region }) => region));
}

/** The same outlines the other way round, with what was material outside. */
export function flipped({ region, corners }: Contour): Contour {
  let start = 0;
  const turned: number[] = [];
  const outlines: Outline[] = region.map((outline) => {
    for (let i = outline.length - 1; i >= 0; i--) turned.push(corners[start + i]);
    start += outline.length;
    return outline.toReversed();
  });
  return { region: outlines, corners: turned };
}
