import type { CrossSection, Manifold } from 'manifold-3d';
import type { Kernel } from '../src/solid/index.ts';

/** What a check must say of a part: its verdict and, where it is known, its figure. */
export type Truth = readonly [verdict: 'pass' | 'warn' | 'fail', measured?: number | null];

/** A part with known answers. Its curves can be drawn with more sides, and it can be turned, without changing them. */
export interface KnownPart {
  readonly name: string;
  make(kernel: Kernel, sides: number): Manifold;
  readonly is: Readonly<Record<string, Truth>>;
}

/** Area of a disc that is drawn with so many sides stays within the tolerance from 64 on. */
const DISC = Math.PI / 4;

const box = (
  { Manifold }: Kernel,
  x: number,
  y: number,
  z: number,
  at: [number, number, number] = [0, 0, 0],
) => Manifold.cube([x, y, z], true).translate([at[0], at[1], at[2] + z / 2]);
const rod = ({ Manifold }: Kernel, diameter: number, height: number, sides: number) =>
  Manifold.cylinder(height, diameter / 2, diameter / 2, sides);
const drilled = (k: Kernel, diameter: number, sides: number, at: [number, number] = [0, 0]) =>
  box(k, 40, 30, 6).subtract(rod(k, diameter, 8, sides).translate([at[0], at[1], -1]));
const prism = ({ Manifold }: Kernel, section: CrossSection, height: number) =>
  Manifold.extrude(section, height);

/** A star or a gear: an outline through points at two distances from the middle. */
function toothed(
  { CrossSection }: Kernel,
  teeth: number,
  outer: number,
  inner: number,
  share = 0,
): CrossSection {
  const points: [number, number][] = [];
  for (let i = 0; i < teeth; i++) {
    for (const [radius, at] of [
      [outer, -share],
      [outer, share],
      [inner, 0.5 - share],
      [inner, 0.5 + share],
    ] as const) {
      if (share === 0 && points.length % 4 === 1) continue;
      const angle = (2 * Math.PI * (i + at)) / teeth;
      points.push([radius * Math.cos(angle), radius * Math.sin(angle)]);
    }
  }
  return new CrossSection([
    points.filter(([x, y], i) => i === 0 || Math.hypot(x - points[i - 1][0], y - points[i - 1][1]) > 1e-6),
  ]);
}

const holes = [1, 2, 4, 8].map((diameter): KnownPart => ({
  name: `a plate with an upright hole of Ø ${diameter}`,
  make: (k, sides) => drilled(k, diameter, sides),
  is: {
    hole: [diameter < 2 ? 'fail' : diameter < 2.1 ? 'warn' : 'pass', diameter],
    base: ['pass', 1200 - DISC * diameter ** 2],
    mesh: ['pass', 0],
    size: ['pass'],
    overhang: ['pass', null],
    bridge: ['pass', null],
    island: ['pass', 0],
    wall: ['pass'],
    gap: ['pass'],
    bodies: ['pass', 1],
    stability: ['pass', 0.2],
    comfort: ['pass', 90],
  },
}));

/** Parts with known answers, for every check that looks at the shape alone. */
export const truthTable: readonly KnownPart[] = [
  ...holes,
  {
    name: 'a plate with a slanted hole of Ø 3',
    make: (k, sides) =>
      box(k, 40, 30, 20).subtract(
        rod(k, 3, 80, sides).translate([0, 0, -40]).rotate([25, 0, 0]).translate([0, 0, 10]),
      ),
    is: { hole: ['pass', 3], wall: ['pass'] },
  },
  {
    name: 'a plate with a blind hole of Ø 5',
    make: (k, sides) => box(k, 40, 30, 10).subtract(rod(k, 5, 8, sides).translate([0, 0, 4])),
    is: { hole: ['pass', 5], wall: ['pass'], overhang: ['pass', null] },
  },
  {
    name: 'a plate with a countersunk hole of Ø 3.4',
    make: (k, sides) =>
      box(k, 40, 30, 6)
        .subtract(rod(k, 3.4, 8, sides).translate([0, 0, -1]))
        .subtract(k.Manifold.cylinder(2.001, 1.7, 3.7, sides).translate([0, 0, 4])),
    is: { hole: ['pass', 3.4] },
  },
  {
    name: 'a hole of Ø 4, 0.5 mm from the edge',
    make: (k, sides) => drilled(k, 4, sides, [17.5, 0]),
    is: { hole: ['fail', null], wall: ['fail', 0.5] },
  },
  {
    name: 'a hole of Ø 4, 2 mm from the edge',
    make: (k, sides) => drilled(k, 4, sides, [16, 0]),
    is: { hole: ['pass', 4], wall: ['pass'] },
  },
  {
    name: 'a teardrop hole that lies',
    make: (k, sides) =>
      box(k, 30, 20, 16).subtract(
        prism(
          k,
          k.CrossSection.circle(4, sides).add(
            new k.CrossSection([
              [
                [Math.SQRT2 * 2, Math.SQRT2 * 2],
                [0, Math.SQRT2 * 4],
                [-Math.SQRT2 * 2, Math.SQRT2 * 2],
              ],
            ]),
          ),
          40,
        )
          .rotate([90, 0, 0])
          .translate([0, 20, 8]),
      ),
    is: { hole: ['pass', 8], overhang: ['warn', 45], bridge: ['pass', null], island: ['pass', 0] },
  },
  ...(
    [
      [20, 'pass'],
      [40, 'pass'],
      [50, 'fail'],
    ] as const
  ).map(([deg, verdict]): KnownPart => ({
    name: `a prism that leans by ${deg}°`,
    make: (k) => {
      const shift = 15 * Math.tan((deg * Math.PI) / 180);
      return prism(k, k.CrossSection.square([24, 24], true), 15).warp((at) => {
        at[0] += (at[2] / 15) * shift;
      });
    },
    is: { overhang: [verdict, deg], bridge: ['pass', null], island: ['pass', 0], stability: ['pass'] },
  })),
  {
    name: 'a post with a shelf',
    make: (k) => box(k, 10, 10, 20).add(box(k, 12, 10, 4, [11, 0, 14])),
    is: { overhang: ['fail', 90], bridge: ['pass', null], island: ['pass', 0] },
  },
  ...(
    [
      [6, 'pass'],
      [9.8, 'warn'],
      [40, 'fail'],
    ] as const
  ).map(([span, verdict]): KnownPart => ({
    name: `a portal of ${span} mm`,
    make: (k) => box(k, span + 10, 12, 20).subtract(box(k, span, 14, 15, [0, 0, -1])),
    is: { bridge: [verdict, span], overhang: ['pass', null], island: ['pass', 0] },
  })),
  {
    name: 'a ball',
    make: (k, sides) => k.Manifold.sphere(10, sides).translate([0, 0, 10]),
    is: {
      base: ['fail'],
      overhang: ['fail'],
      hole: ['pass', null],
      bodies: ['pass', 1],
      wall: ['pass'],
      gap: ['pass', null],
      stability: ['pass', 1],
    },
  },
  {
    // A facet or two beside the rim lean further; they reach out less than a line of plastic.
    name: 'a ball trimmed where it leans by 42°',
    make: (k, sides) => {
      const cut = 10 * (1 - Math.sin((42 * Math.PI) / 180));
      return k.Manifold.sphere(10, 2 * sides)
        .trimByPlane([0, 0, 1], cut - 10)
        .translate([0, 0, 10 - cut]);
    },
    is: {
      // Half a layer above the cut.
      base: ['pass', Math.PI * (100 - (10 * Math.sin((42 * Math.PI) / 180) - 0.1) ** 2)],
      overhang: ['pass', 42],
      island: ['pass', 0],
    },
  },
  {
    name: 'a rod that lies on a facet',
    make: (k) =>
      rod(k, 10, 40, 64)
        .rotate([0, 0, 180 / 64])
        .rotate([0, 90, 0])
        .translate([-20, 0, 5 * Math.cos(Math.PI / 64)]),
    // As wide as a circle of Ø 10 is a tenth of a millimetre above its lowest point.
    is: { base: ['pass', 80 * Math.sqrt(0.99)], overhang: ['fail'], hole: ['pass', null], wall: ['pass'] },
  },
  {
    name: 'a torus lying flat',
    make: (k, sides) =>
      k.Manifold.revolve(k.CrossSection.circle(3, 64).translate([10, 0]), sides).translate([0, 0, 3]),
    is: { base: ['pass'], hole: ['pass', null], overhang: ['fail'], bodies: ['pass', 1] },
  },
  {
    name: 'a torus standing upright',
    make: (k, sides) =>
      k.Manifold.revolve(k.CrossSection.circle(3, 64).translate([10, 0]), sides)
        .rotate([90, 0, 0])
        .translate([0, 0, 13]),
    is: { base: ['fail'], hole: ['pass', null], bodies: ['pass', 1] },
  },
  ...(
    [
      [0.3, 'fail'],
      [0.6, 'fail'],
      [0.92, 'warn'],
      [1.2, 'pass'],
    ] as const
  ).map(([mm, verdict]): KnownPart => ({
    name: `a fin of ${mm} mm`,
    make: (k) => box(k, 30, 20, 3).add(box(k, 20, mm, 4, [0, 0, 3])),
    is: { wall: [verdict, mm], stability: [mm < 0.8 ? 'fail' : 'pass', 4 / mm], bodies: ['pass', 1] },
  })),
  {
    name: 'a floor of 0.4 mm under a pocket',
    make: (k) => box(k, 30, 20, 6).subtract(box(k, 20, 10, 6, [0, 0, 0.4])),
    is: { wall: ['fail', 0.4], base: ['pass', 600] },
  },
  {
    name: 'a plate of 0.5 mm',
    make: (k) => box(k, 30, 20, 0.5),
    is: { wall: ['fail', 0.5] },
  },
  {
    name: 'a triangle, which is thin nowhere',
    make: (k) => prism(k, k.CrossSection.circle(15, 3), 5),
    is: { wall: ['pass'], gap: ['pass', null], comfort: ['warn', 60] },
  },
  {
    name: 'a star, which is thin nowhere',
    make: (k) => prism(k, toothed(k, 5, 15, 7), 5),
    is: { wall: ['pass'], gap: ['pass'] },
  },
  {
    name: 'a gear, which is thin nowhere',
    make: (k) => prism(k, toothed(k, 16, 20, 17, 0.18), 5),
    is: { wall: ['pass'], gap: ['pass'] },
  },
  ...(
    [
      [0.25, 'fail'],
      [0.41, 'warn'],
      [0.8, 'pass'],
    ] as const
  ).map(([mm, verdict]): KnownPart => ({
    name: `a slit of ${mm} mm`,
    make: (k) => box(k, 30, 20, 5).subtract(box(k, 20, mm, 7, [6, 0, -1])),
    is: { gap: [verdict, mm], wall: ['pass'], bodies: ['pass', 1] },
  })),
  ...(
    [
      [0.4, 'fail'],
      [2, 'pass'],
    ] as const
  ).map(([mm, verdict]): KnownPart => ({
    name: `two lumps joined by a neck of ${mm} mm`,
    make: (k) =>
      box(k, 12, 12, 6, [-9, 0, 0])
        .add(box(k, 12, 12, 6, [9, 0, 0]))
        .add(box(k, 8, mm, 6)),
    is: { bodies: [verdict, verdict === 'fail' ? null : 1], wall: [verdict, mm] },
  })),
  {
    name: 'two lumps apart',
    make: (k) => box(k, 10, 10, 6, [-6, 0, 0]).add(box(k, 8, 8, 6, [6, 0, 0])),
    is: { bodies: ['fail', 2] },
  },
  {
    name: 'two lumps that touch along an edge',
    make: (k) => box(k, 10, 10, 6, [-5, -5, 0]).add(box(k, 10, 10, 6, [5, 5, 0])),
    is: { bodies: ['fail', 2] },
  },
  {
    name: 'two lumps that overlap by 0.01 mm at a corner',
    make: (k) => box(k, 10, 10, 6, [-5, -5, 0]).add(box(k, 10, 10, 6, [4.99, 4.99, 0])),
    is: { bodies: ['fail', null] },
  },
  {
    name: 'a peg that hangs from a bridge',
    make: (k) =>
      box(k, 26, 12, 20)
        .subtract(box(k, 16, 14, 15, [0, 0, -1]))
        .add(box(k, 3, 3, 8, [0, 0, 8])),
    is: { island: ['fail', 1] },
  },
  {
    name: 'a needle',
    make: (k, sides) => rod(k, 3, 30, sides),
    is: { stability: ['fail', 10], base: ['fail', DISC * 9] },
  },
  {
    name: 'a tower of letters',
    make: (k) => box(k, 40, 20, 2).add(box(k, 2, 12, 14, [0, 0, 2])),
    is: { stability: ['fail', 7], wall: ['pass', 2] },
  },
  {
    name: 'a part that tips over',
    make: (k) => box(k, 10, 10, 10).add(box(k, 40, 10, 10, [15, 0, 10])),
    is: { stability: ['fail'], overhang: ['fail', 90] },
  },
  {
    name: 'a spike',
    make: (k, sides) => k.Manifold.cylinder(20, 6, 0, sides),
    is: {
      comfort: ['warn', 360 * (1 - Math.cos(Math.atan(6 / 20)))],
      wall: ['pass'],
      stability: ['pass', 20 / 12],
    },
  },
];
