import { Matrix4, Vector3, Vector4, type Camera } from 'three';
import type { Pose, Sight, Vec3 } from '@kelbrin/core/mesh';

/** A place on a view, px from its upper left. */
export type Px = readonly [number, number];

/** A number of pixels as style sheets write it. */
export const cssPx = (px: number) => `${px}px`;

/** How the room is seen on a view at one moment, for what is drawn over it and for what is pointed at. */
export class Outlook {
  readonly #seen: Matrix4;
  readonly #back: Matrix4;

  private constructor(
    seen: Matrix4,
    readonly widthPx: number,
    readonly heightPx: number,
  ) {
    this.#seen = seen;
    this.#back = seen.clone().invert();
  }

  /** As a camera sees it, whose matrices are up to date. */
  static of({ projectionMatrix, matrixWorldInverse }: Camera, widthPx: number, heightPx: number): Outlook {
    return new Outlook(projectionMatrix.clone().multiply(matrixWorldInverse), widthPx, heightPx);
  }

  /** How a space is seen that a pose puts into the room. */
  through(pose: Pose): Outlook {
    return new Outlook(
      this.#seen.clone().multiply(new Matrix4().fromArray(pose)),
      this.widthPx,
      this.heightPx,
    );
  }

  /** Whether another one sees the same. */
  equals(other: Outlook | undefined): boolean {
    return (
      other !== undefined &&
      this.widthPx === other.widthPx &&
      this.heightPx === other.heightPx &&
      this.#seen.equals(other.#seen)
    );
  }

  /** Where a place is seen; undefined behind the eye. */
  pxOf(place: Vec3): Px | undefined {
    const seen = new Vector4(...place, 1).applyMatrix4(this.#seen);
    if (seen.w <= 0) return undefined;
    return [((seen.x / seen.w + 1) / 2) * this.widthPx, ((1 - seen.y / seen.w) / 2) * this.heightPx];
  }

  /** The line of sight that goes through a place on the view. */
  sightAt([x, y]: Px): Sight {
    const at = (depth: number) =>
      new Vector3((2 * x) / this.widthPx - 1, 1 - (2 * y) / this.heightPx, depth).applyMatrix4(this.#back);
    const [near, far] = [at(-1), at(1)];
    const way = far.clone().sub(near);
    return { from: [near.x, near.y, near.z], way: [way.x, way.y, way.z] };
  }

  /** How many pixels a millimetre is at a place, the way in which it is most. */
  pxPerMm(place: Vec3): number {
    const here = this.pxOf(place);
    if (!here) return 1;
    const [x, y, z] = place;
    const steps: Vec3[] = [[x + 1, y, z], [x, y + 1, z], [x, y, z + 1]]; // oxfmt-ignore
    return Math.max(
      ...steps.map((step) => {
        const there = this.pxOf(step);
        return there ? Math.hypot(there[0] - here[0], there[1] - here[1]) : 0;
      }),
    );
  }
}
