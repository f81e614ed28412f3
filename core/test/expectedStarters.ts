import { bentEdge, type Point } from '../src/plane/index.ts';
import type { Lettering, Resolved } from '../src/recipe/index.ts';

/*
 * What each starter must come to, worked out by hand and by plain sums over small cells, without the kernel and without
 * the code that builds the solids.
 */

export interface Expected {
  /** The volume without letters. */
  volumeMm3(): number;
  /** Letters that add (or take, below nothing) their area times a height. */
  readonly letters?: readonly { readonly lettering: Resolved<Lettering>; readonly mm: number }[];
  /** Least x, y, z and greatest x, y, z, to a tenth. */
  readonly box: readonly number[];
  readonly genus: number;
}

type Inside = (x: number, y: number, z: number) => boolean;

/**
 * The volume of what `inside` says, in a box, from points that fill it evenly without lying in rows (a Kronecker
 * sequence with the powers of 1 / g, where g⁴ = g + 1): faces square to the axes are then measured like all others.
 */
function summed([x0, y0, z0, x1, y1, z1]: readonly number[], inside: Inside, points = 1_000_000): number {
  const g = 1.2207440846057596;
  let [u, v, w, count] = [0.5, 0.5, 0.5, 0];
  for (let i = 0; i < points; i++) {
    u = (u + 1 / g) % 1;
    v = (v + 1 / g ** 2) % 1;
    w = (w + 1 / g ** 3) % 1;
    if (inside(x0 + u * (x1 - x0), y0 + v * (y1 - y0), z0 + w * (z1 - z0))) count++;
  }
  return (count / points) * (x1 - x0) * (y1 - y0) * (z1 - z0);
}

/** The integral of f by Simpson's rule. */
function integral(from: number, to: number, f: (t: number) => number, n = 2000): number {
  const h = (to - from) / n;
  let sum = f(from) + f(to);
  for (let i = 1; i < n; i++) sum += f(from + i * h) * (i % 2 === 1 ? 4 : 2);
  return (sum * h) / 3;
}

const roundedArea = (w: number, d: number, r: number) => w * d - (4 - Math.PI) * r * r;
function inRounded(x: number, y: number, halfX: number, halfY: number, r: number): boolean {
  const [ax, ay] = [Math.abs(x) - (halfX - r), Math.abs(y) - (halfY - r)];
  if (ax > r || ay > r) return false;
  return ax <= 0 || ay <= 0 || ax * ax + ay * ay <= r * r;
}
const inDisc = (x: number, y: number, r: number) => x * x + y * y <= r * r;
/** How far in a fillet of radius r is, at a height t above where it begins. */
const fillet = (r: number, t: number) => (t <= 0 ? 0 : r - Math.sqrt(Math.max(0, r * r - t * t)));
const frustum = (a: number, b: number, h: number) => (Math.PI * h * (a * a + b * b + a * b)) / 3;

/** The volume that a profile of points and bends makes when it is turned, by Pappus and Guldin. */
function turned(nodes: readonly (readonly [number, number, number?])[]): number {
  const outline = nodes.flatMap(([x, y, bend = 0], i) => {
    const [nx, ny] = nodes[(i + 1) % nodes.length];
    return bentEdge([x, y], [nx, ny], bend / 100);
  });
  // 2π ∬ x dA over the polygon, by Green's theorem.
  const moment = outline.reduce((sum, [x, y], i) => {
    const [nx, ny] = outline[(i + 1) % outline.length];
    return sum + ((x + nx) * (x * ny - nx * y)) / 6;
  }, 0);
  return Math.abs(2 * Math.PI * moment);
}

/** The area of a polygon shrunk by d with its corners kept sharp: A − P d + d² Σ tan(θ / 2). */
function shrunkArea(outline: readonly Point[], d: number): number {
  let [area, perimeter, corners] = [0, 0, 0];
  outline.forEach(([x, y], i) => {
    const [px, py] = outline[(i + outline.length - 1) % outline.length];
    const [nx, ny] = outline[(i + 1) % outline.length];
    area += (x * ny - nx * y) / 2;
    perimeter += Math.hypot(nx - x, ny - y);
    const turn = Math.atan2(
      (x - px) * (ny - y) - (y - py) * (nx - x),
      (x - px) * (nx - x) + (y - py) * (ny - y),
    );
    corners += Math.tan(turn / 2);
  });
  return area - perimeter * d + corners * d * d;
}

function liftersOutline(): Point[] {
  const half: [number, number, number?][] = [[0, -45], [9, -45, 30], [9, -30], [6, -10], [6, 20], [16, 34, 25], [12, 50], [0, 50]]; // oxfmt-ignore
  const right = half
    .slice(0, -1)
    .flatMap(([x, y, bend = 0], i) => bentEdge([x, y], [half[i + 1][0], half[i + 1][1]], bend / 100));
  const left = right
    .slice(0, -1)
    .map(([x, y]): Point => [-x, y])
    .reverse();
  return [[0, -45], ...right, ...left];
}

const LEAF: Point[] = [[-10, 0], [-8.5, -2.2], [-6.2, -4.1], [-3.2, -5.2], [0, -5.4], [3.2, -4.8], [6.2, -3.4], [8.6, -1.6], [10, 0], [8.6, 1.6], [6.2, 3.4], [3.2, 4.8], [0, 5.4], [-3.2, 5.2], [-6.2, 4.1], [-8.5, 2.2]]; // oxfmt-ignore

/** The distance of a point to the edges of the leaf at its size, from inside; below nothing outside. The leaf is convex. */
function depthInLeaf(x: number, y: number): number {
  return Math.min(
    ...LEAF.map(([ax, ay], i) => {
      const [bx, by] = LEAF[(i + 1) % LEAF.length];
      const [ux, uy] = [bx - ax, by - ay];
      return (ux * (y - 2.5 * ay) - uy * (x - 2.5 * ax)) / Math.hypot(ux, uy);
    }),
  );
}

export const expectedOf: Record<string, Expected> = {
  'seed-label': {
    volumeMm3() {
      const area = (d: number) => roundedArea(84 - 2 * d, 28 - 2 * d, 5 - d);
      return area(0) * 2 + integral(0, 0.6, area) - Math.PI * 2.25 ** 2 * 2.6;
    },
    letters: [{ lettering: { words: 'Basil', font: 'sturdy', size: { by: 'height', mm: 12 } }, mm: 1.2 }],
    box: [-42, -14, 0, 42, 14, 3.8],
    genus: 1,
  },
  'cane-clip': {
    volumeMm3: () =>
      summed([-7, -7, 0, 28, 7, 12], (x, y, z) => {
        // Without its left side, the clip's middle lies right of that of its circles.
        const shift = (6.6 - Math.sqrt(6.6 ** 2 - 3.2 ** 2)) / 2;
        const inClip =
          inDisc(x + shift, y, 6.6) && !inDisc(x + shift, y, 4.2) && !(x + shift < 0 && Math.abs(y) < 3.2);
        const right = 6.6 - shift - 2 + 24;
        const inTab = Math.abs(y) < 1.2 && inRounded(x - right + 12, z - 6, 12, 6, 0.6);
        const hole = inDisc(x - right + 6, z - 6, 3.6 / 0.997 / 2);
        return (inClip || inTab) && !hole;
      }),
    letters: [{ lettering: { words: 'I', font: 'stencil', size: { by: 'height', mm: 5 } }, mm: -2.4 }],
    box: [-6.2, -6.6, 0, 28.2, 6.6, 12],
    // The hole, and the letter.
    genus: 2,
  },
  dibber: {
    volumeMm3() {
      const body = turned([[0, 0], [14, 0, 40], [14, 14], [9, 24], [9, 70], [2, 92], [0, 92]]); // oxfmt-ignore
      // A mark is a triangle that opens outwards; what of it lies in the body, turned.
      const groove = 2 * Math.PI * integral(8, 9, (r) => r * (4 / 3) * (r - 8));
      return body - 4 * groove + (2 / 3) * Math.PI * 8;
    },
    box: [-16.8, -16.8, 0, 16.8, 16.8, 94],
    genus: 0,
  },
  'pot-foot': {
    volumeMm3: () =>
      summed([-20, -20, 0, 20, 20, 12], (x, y, z) => {
        const radius = z < 6 ? 20 : 20 - ((z - 6) * 4) / 6;
        if (!inDisc(x, y, radius)) return false;
        if (inDisc(x, y, z > 8 ? 5.5 : 2.75)) return false;
        return ![0, 1, 2, 3, 4, 5].some((i) => {
          const angle = (i * Math.PI) / 3;
          return inDisc(x - 20 * Math.cos(angle), y - 20 * Math.sin(angle), 3);
        });
      }),
    box: [-19.8, -20, 0, 19.8, 20, 12],
    genus: 1,
  },
  'hose-hook': {
    volumeMm3: () =>
      summed([-30, -15, 0, 30, 15, 33], (x, y, z) => {
        const d = fillet(1, z - 3);
        const inPlate = z < 4 && inRounded(x, y, 30 - d, 15 - d, 3 - d);
        const inArm = Math.abs(x) < 3 && Math.abs(y) < 10 && z > 3;
        const inGusset = x > 2.5 && Math.abs(y) < 2 && z > 3.5 && z - 3.5 < 16 * (1 - (x - 2.5) / 12);
        const inLip = Math.abs(y) < 10 && x > -11 && x < -2 && z < 33 && z > 19 + (11 * (-2 - x)) / 9;
        const bore = z > 4 ? 0 : Math.max(2.25, 4.2 - (4 - z));
        const inHole = z < 4 && inDisc(Math.abs(x) - 22.8, y, bore);
        // The corner between the plate and the arm is filled outside a circle, and mitred around the arm.
        const [beside, above] = [Math.max(Math.abs(x) - 3, Math.abs(y) - 10), z - 4];
        const inCorner = beside < 2 && above > 0 && above < 2 && !inDisc(2 - beside, 2 - above, 2);
        return (inPlate && !inHole) || inArm || inGusset || inLip || inCorner;
      }),
    box: [-30, -15, 0, 30, 15, 33],
    genus: 2,
  },
  'drip-peg': {
    volumeMm3() {
      const inDrop = (x: number, y: number) => {
        const v = 6 - y;
        if (inDisc(x, v, 11)) return true;
        // Between the tangents, which touch at acos(r / d) from the line to the tip.
        const touch = 121 / 23;
        return v > touch && v < 23 && Math.abs(x) < ((23 - v) * 11) / Math.sqrt(23 ** 2 - 121);
      };
      return summed([-11, -40, 0, 11, 17, 5], (x, y, z) => {
        const inStake = Math.abs(x) < 3 && y < -5;
        if (!inDrop(x, y) && !inStake) return false;
        if ((x / 4.5) ** 2 + ((y - 6) / 4) ** 2 < 1 && inDrop(x, y)) return false;
        const inMouth =
          z > 3 && inDisc(x, y - 9, 15) && Math.abs(Math.atan2(x, y - 9)) < (20 * Math.PI) / 180;
        return !inMouth;
      });
    },
    box: [-11, -40, 0, 11, 17, 5],
    genus: 1,
  },
  'wind-spinner': {
    volumeMm3: () =>
      summed([-30, -30, 0, 30, 30, 46.5], (x, y, z) => {
        const inFin = [0, 60, 120].some((deg) => {
          const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
          return Math.abs(y * c - x * s) < 0.8 && ((x * c + y * s) / 30) ** 2 + ((z - 15) / 25) ** 2 < 1;
        });
        const isBeside = Math.abs(y) < 1.2;
        const inLoop = isBeside && inDisc(x, z - 42, 4.5);
        return (inFin || inLoop) && !(isBeside && inDisc(x, z - 42, 2));
      }),
    box: [-30, -26.4, 0, 30, 26.4, 46.5],
    genus: 1,
  },
  'bed-sign': {
    volumeMm3() {
      const area = (d: number) => roundedArea(90 - 2 * d, 30 - 2 * d, 6 - d);
      return area(0) * 2.6 + integral(0, 0.4, area);
    },
    letters: [{ lettering: { words: 'HERBS', font: 'slab', size: { by: 'width', mm: 76 } }, mm: 14 }],
    box: [-45, -15, 0, 45, 15, 17],
    genus: 0,
  },
  'leaf-badge': {
    volumeMm3: () =>
      summed(
        [-31, -14, 0, 25, 14, 3],
        (x, y, z) => {
          // Rounded by 1 mm: within 1 mm of the leaf shrunk by 1 mm. Along straight edges that is the leaf itself.
          const depth = depthInLeaf(x, y);
          const inLeaf = depth > 1 || (depth > 0 && nearShrunk(x, y));
          const inField = z > 2 && depth > 2;
          const [cx] = [-24.7 + 4 - 4.5];
          const inLoop = inDisc(x - cx, y, 4.5);
          const inDew = z > 2 && x * x + (y - 3) ** 2 + (z - 2) ** 2 < 4;
          return ((z < 3 && ((inLeaf && !inField) || inLoop)) || inDew) && !inDisc(x - cx, y, 2);
        },
        300_000,
      ) +
      heartArea(8) * 0.6,
    box: [-29.7, -13.5, 0, 24.7, 13.5, 4],
    genus: 1,
  },
  'row-token': {
    volumeMm3() {
      const disc = (r: number) => Math.PI * r * r;
      const coin =
        frustum(15.6, 16, 0.4) + disc(16) * 2.8 + integral(0, 0.8, (t) => disc(16 - fillet(0.8, t)));
      const recess = disc(13) * 0.6 + frustum(13, 13.4, 0.4);
      const star = 5 * 10 * 4.5 * Math.sin(Math.PI / 5) * 1;
      return coin - recess + star - Math.PI * (13.8 ** 2 - 13 ** 2) * 0.6;
    },
    letters: [{ lettering: { words: '7', font: 'rounded', size: { by: 'height', mm: 14 } }, mm: -0.8 }],
    box: [-16, -16, 0, 16, 16, 4],
    genus: 0,
  },
  'weed-lifter': {
    volumeMm3() {
      const outline = liftersOutline();
      const area = (d: number) => shrunkArea(outline, d);
      const body = integral(0, 0.4, area) + area(0) * 4.4 + integral(0, 1.2, (t) => area(fillet(1.2, t)));
      const jaw = 2 * Math.sqrt(3) * 6.5 ** 2 * 6;
      const hole = Math.PI * 2.5 ** 2 * 5.2 + frustum(2.5, 3.3, 0.8);
      const grip = 6 * 2 + Math.PI;
      return body - jaw - hole - 6 * grip;
    },
    box: [-16.5, -47.5, 0, 16.5, 47.5, 6],
    genus: 2,
  },
  'pot-stamp': {
    volumeMm3() {
      const slope = Math.tan((10 * Math.PI) / 180);
      const inOval = (x: number, y: number) => (x / 20) ** 2 + (y / 13) ** 2 < 1;
      const pad = summed([-20, -13, 0, 20, 13, 4], (x, y, z) => {
        const d = z * slope;
        return inRounded(x, y, 20 - d, 13 - d, 2 - d) && inOval(x, y);
      });
      const handle = summed(
        [-20, -13, 0, 20, 13, 15.6],
        (x, y, z) => inDisc(x, y, 20 - (z * 15) / 15.6) && inOval(x, y),
      );
      // What of the grip's rod stands out of the knob.
      const grip = 2 * Math.PI * integral(9, 9.5, (r) => 2 * r * Math.sqrt(Math.max(0, 1 - (r - 8.5) ** 2)));
      return pad + handle + Math.PI * 81 * 6 + grip;
    },
    letters: [{ lettering: { words: 'KIT', font: 'stencil', size: { by: 'height', mm: 9 } }, mm: 1.5 }],
    box: [-13, -20, 0, 13, 20, 27.1],
    genus: 0,
  },
};

/** A square on its corner with two half circles; the square's side makes the width side × (1 + 1 / √2). */
function heartArea(width: number): number {
  return (width / (1 + Math.SQRT1_2)) ** 2 * (1 + Math.PI / 4);
}

/** Whether a point lies within 1 mm of the leaf shrunk by 1 mm; looked at only for points near the edge. */
function nearShrunk(x: number, y: number): boolean {
  for (let i = 0; i < 48; i++) {
    const angle = (i * Math.PI) / 24;
    if (depthInLeaf(x + 0.999 * Math.cos(angle), y + 0.999 * Math.sin(angle)) >= 1 - 2e-3) return true;
  }
  return false;
}
