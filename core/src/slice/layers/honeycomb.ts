import type { Extent } from '../../plane/index.ts';

type Place = readonly [number, number];

/** Of the area, a cell with sides of 1 mm takes lines of so many mm, its straight sides laid from both cells. */
const LENGTH_OF_CELL = 4 / ((3 * Math.sqrt(3)) / 2);
/** Rounds after which a side is right to a thousandth. */
const ROUNDS = 12;

/**
 * Lines that go up side by side and make six-sided cells: each goes straight, aslant, straight and aslant back, and lies
 * beside its neighbour where both are straight. The cells of all layers lie over each other.
 */
export function honeycombLines({ x, y }: Extent, share: number, lineWidthMm: number): Place[][] {
  const side = sideFor(share, lineWidthMm);
  const [half, wide] = [side / 2, (side * Math.sqrt(3)) / 2];
  const lines: Place[][] = [];
  for (let column = Math.floor(x.low / wide) - 1; column * wide <= x.high; column++) {
    const points: Place[] = [];
    const isLeft = Math.abs(column % 2) === 1;
    // Beside its neighbour, and not on it.
    const near = column * wide + lineWidthMm / 2;
    const far = (column + 1) * wide - lineWidthMm / 2;
    const period = 2 * (side + half);
    for (let row = Math.floor(y.low / period) - 1; row * period <= y.high; row++) {
      const at = row * period;
      const [first, second] = isLeft ? [far, near] : [near, far];
      points.push(
        [first, at],
        [first, at + side],
        [second, at + side + half],
        [second, at + 2 * side + half],
      );
    }
    lines.push(points);
  }
  return lines;
}

/** The side of cells of which lines of a width take a share: where lines lie beside each other the slants are shorter. */
function sideFor(share: number, lineWidthMm: number): number {
  let side = (LENGTH_OF_CELL * lineWidthMm) / share;
  for (let i = 0; i < ROUNDS; i++) {
    const [half, wide] = [side / 2, (side * Math.sqrt(3)) / 2];
    const length = 2 * side + 2 * Math.hypot(Math.max(0, wide - lineWidthMm), half);
    const taken = (length * lineWidthMm) / (2 * (side + half) * wide);
    side *= taken / share;
  }
  return side;
}
