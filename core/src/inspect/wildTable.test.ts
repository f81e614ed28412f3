import { describe, expect, it } from 'vitest';
import { heightField, lathe, marched, subdivided } from '../../test/wildMeshes.ts';
import { topologyOf, volumeOf, type SolidMesh } from '../mesh/index.ts';
import { classroomLimits, inspect } from './index.ts';

/* Parts that were made by other means than the kernel, with known answers. */

interface WildPart {
  readonly name: string;
  readonly make: () => SolidMesh;
  /** What it takes of space, mm³, and how near a mesh of it comes, as a share. */
  readonly mm3: readonly [volume: number, within: number];
  readonly is: Readonly<Record<string, 'pass' | 'warn' | 'fail'>>;
}

const waves = (x: number, y: number) => 5 + 1.5 * Math.sin((Math.PI * x) / 10) * Math.sin((Math.PI * y) / 10);
const sound = { mesh: 'pass', bodies: 'pass', wall: 'pass', gap: 'pass', stability: 'pass' } as const;
/** A disc, a waist that widens gradually both ways, and a disc. */
const waist = (radiusMm: number) => {
  const curve = Array.from({ length: 33 }, (_, i): [number, number] => {
    const t = (i - 16) / 16;
    return [radiusMm + 3 * t * t, 3 + 4 * (t + 1)];
  });
  return lathe([[9, 0], [9, 2.9], ...curve, [9, 11.1], [9, 14]], 48);
};
const steps = (stepMm: number): [number, number][] =>
  Array.from({ length: 30 }, (_, i): [number, number][] => [[15 - i * stepMm, 0.2 * i], [15 - i * stepMm, 0.2 * (i + 1)]]).flat(); // prettier-ignore
const ball = (x: number, y: number, z: number) => Math.hypot(x, y, z - 9) - 10;

const parts: readonly WildPart[] = [
  ...[12, 17, 24, 50].map((cells): WildPart => ({
    name: `hills of ${2 * cells * (2 * cells + 4)} triangles`,
    make: () => heightField(cells, 40, waves),
    mm3: [8000, 0.01],
    is: { ...sound, base: 'pass', hole: 'pass', island: 'pass' },
  })),
  {
    name: 'a waist of Ø 0.6 between discs',
    make: () => waist(0.3),
    mm3: [0, 0],
    is: { mesh: 'pass', bodies: 'fail', base: 'pass' },
  },
  {
    name: 'a waist of Ø 3 between discs',
    make: () => waist(1.5),
    mm3: [0, 0],
    is: { mesh: 'pass', bodies: 'pass', base: 'pass' },
  },
  {
    name: 'a pyramid of steps as high as a layer',
    make: () => lathe(steps(0.45), 64),
    mm3: [0, 0],
    is: { ...sound, base: 'pass', overhang: 'pass', island: 'pass' },
  },
  {
    name: 'a ball that was marched, with a flat at its bottom',
    make: () => marched((x, y, z) => Math.max(ball(x, y, z), 0.031 - z), [-11, -11, -1], [11, 11, 20], 0.7),
    mm3: [(Math.PI * 19 ** 2 * (30 - 19)) / 3, 0.02],
    is: {
      mesh: 'pass',
      bodies: 'pass',
      wall: 'pass',
      gap: 'pass',
      hole: 'pass',
      stability: 'pass',
      overhang: 'fail',
    },
  },
];

const variants: Readonly<Record<string, (mesh: SolidMesh) => SolidMesh>> = {
  'as it is': (mesh) => mesh,
  'turned oddly': ({ positions: p, triangles }) => {
    const [c, s] = [Math.cos(0.37), Math.sin(0.37)];
    const positions = p.map((_, i) =>
      i % 3 === 0 ? p[i] * c - p[i + 1] * s : i % 3 === 1 ? p[i - 1] * s + p[i] * c : p[i],
    );
    return { positions, triangles };
  },
  subdivided,
  'jittered by 1e-5': ({ positions, triangles }) => ({
    positions: positions.map((mm, i) => mm + 1e-5 * Math.sin(12.9898 * i)),
    triangles,
  }),
};

describe.each(parts)('$name', ({ make, mm3: [volume, within], is }) => {
  const mesh = make();

  it('is a closed solid', () => {
    expect(topologyOf(mesh)).toMatchObject({ openEdges: 0, bodies: 1 });
    if (volume > 0) expect(Math.abs(volumeOf(mesh) / volume - 1)).toBeLessThan(within);
  });

  it.each(Object.entries(variants))('is judged rightly %s', (_, vary) => {
    const { checks } = inspect(vary(mesh), classroomLimits, { isForeign: true });
    const found = Object.fromEntries(checks.map(({ id, verdict }) => [id, verdict]));
    const wrong = checks
      .filter(({ id, verdict }) => is[id] !== undefined && is[id] !== verdict)
      .map(({ id, verdict, measured, findings }) => `${id} ${verdict} ${measured}: ${findings[0]?.message}`);
    expect(wrong).toEqual([]);
    expect(found).toMatchObject(is);
  });
});
