import { extentOf, type Point, type Region } from './region.ts';

/** Bands across a room in which its edges are looked up. */
const BANDS = 128;

/** Whether shapes lie wholly in a room, asked often of the same room. */
export class Enclosure {
  readonly #room: Region;
  readonly #lowY: number;
  readonly #bandMm: number;
  /** The edges that pass each band: x and y of where they begin and end. */
  readonly #bands: number[][];

  constructor(room: Region) {
    this.#room = room;
    const { y } = extentOf(room);
    this.#lowY = y.low;
    this.#bandMm = (y.high - y.low) / BANDS || 1;
    this.#bands = Array.from({ length: BANDS }, () => []);
    for (const outline of room) {
      let [px, py] = outline[outline.length - 1];
      for (const [qx, qy] of outline) {
        const [from, to] = [this.#band(Math.min(py, qy)), this.#band(Math.max(py, qy))];
        for (let band = from; band <= to; band++) this.#bands[band].push(px, py, qx, qy);
        [px, py] = [qx, qy];
      }
    }
  }

  /** Whether a shape, moved by `by`, lies in the room: no edge crosses its border, and neither encloses the other's. */
  holds(shape: Region, by: Point): boolean {
    for (const outline of shape) {
      let last = outline[outline.length - 1];
      for (const point of outline) {
        if (this.#crosses(last[0] + by[0], last[1] + by[1], point[0] + by[0], point[1] + by[1])) return false;
        last = point;
      }
    }
    return (
      shape.every(([[x, y]]) => windingOf(this.#room, [x + by[0], y + by[1]]) !== 0) &&
      this.#room.every(([[x, y]]) => windingOf(shape, [x - by[0], y - by[1]]) === 0)
    );
  }

  #crosses(px: number, py: number, qx: number, qy: number): boolean {
    const last = this.#band(Math.max(py, qy));
    for (let band = this.#band(Math.min(py, qy)); band <= last; band++) {
      const edges = this.#bands[band];
      for (let i = 0; i < edges.length; i += 4) {
        const [ax, ay, bx, by] = [edges[i], edges[i + 1], edges[i + 2], edges[i + 3]];
        if (Math.max(ax, bx) < Math.min(px, qx) || Math.min(ax, bx) > Math.max(px, qx)) continue;
        const aSide = (qx - px) * (ay - py) - (qy - py) * (ax - px);
        const bSide = (qx - px) * (by - py) - (qy - py) * (bx - px);
        if (aSide > 0 === bSide > 0) continue;
        const pSide = (bx - ax) * (py - ay) - (by - ay) * (px - ax);
        const qSide = (bx - ax) * (qy - ay) - (by - ay) * (qx - ax);
        if (pSide > 0 !== qSide > 0) return true;
      }
    }
    return false;
  }

  #band(y: number): number {
    return Math.max(0, Math.min(BANDS - 1, Math.floor((y - this.#lowY) / this.#bandMm)));
  }
}

/** How often a region's outlines go around a point, to the left. */
function windingOf(region: Region, [x, y]: Point): number {
  let winding = 0;
  for (const outline of region) {
    let [px, py] = outline[outline.length - 1];
    for (const [qx, qy] of outline) {
      if (py > y !== qy > y && px + ((qx - px) * (y - py)) / (qy - py) > x) winding += qy > py ? 1 : -1;
      [px, py] = [qx, qy];
    }
  }
  return winding;
}
