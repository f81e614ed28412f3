import { BufferAttribute, BufferGeometry, Color } from 'three';
import type { LimitsCard, ThicknessMap } from '@kelbrin/core/inspect';
import { facesOf, type SolidMesh } from '@kelbrin/core/mesh';
import { formatNumber } from '@kelbrin/core/recipe';
import { drawable } from './geometry';
import { say } from '@kelbrin/core/words';

/** A range of values that is painted in one colour, and what the legend calls it. */
export interface Band {
  readonly upTo: number;
  readonly colour: string;
  readonly words: string;
}

/** From what matters most to what is sound, ever lighter, so that the order is seen without telling colours apart. */
const COLOURS = ['#3b0f4f', '#8a2a5b', '#cf6a4a', '#edb458', '#f7ecc6'] as const;

/** Thickness in shares of the thinnest wall. */
export function thicknessBands({ minWallMm }: LimitsCard): Band[] {
  const edges = [0.6, 1, 1.5, 2.5].map((share) => Math.round(100 * share * minWallMm) / 100);
  return [...edges, Infinity].map((upTo, i) => ({
    upTo,
    colour: COLOURS[i],
    words:
      upTo === Infinity
        ? say('over {edges} mm', { edges: formatNumber(edges[3]) })
        : i === 1
          ? say('too thin, under {upTo} mm', { upTo: formatNumber(upTo) })
          : say('under {upTo} mm', { upTo: formatNumber(upTo) }),
  }));
}

/** Lean from the vertical, the steepest first in colour. */
export function overhangBands({ maxOverhangDeg }: LimitsCard): Band[] {
  const near = Math.max(0, maxOverhangDeg - 10);
  return [
    { upTo: near, colour: COLOURS[4], words: say('under {near}°', { near: formatNumber(near) }) },
    {
      upTo: maxOverhangDeg,
      colour: COLOURS[3],
      words: say('up to {maxOverhangDeg}°', { maxOverhangDeg: formatNumber(maxOverhangDeg) }),
    },
    { upTo: 80, colour: COLOURS[2], words: say('steeper than the printer manages') },
    { upTo: Infinity, colour: COLOURS[0], words: say('level: a bridge, or in the air') },
  ];
}

/** The surface painted by how thick the part is under it. */
export function thicknessPaint(
  { positions, thicknessMm }: ThicknessMap,
  bands: readonly Band[],
): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  return painted(geometry, thicknessMm.length, (corner) => thicknessMm[corner], bands);
}

/** The surface painted by how far it leans over nothing. */
export function overhangPaint(mesh: SolidMesh, bands: readonly Band[]): BufferGeometry {
  const { normals } = facesOf(mesh);
  const { positions: p, triangles: t } = mesh;
  const leanOf = (corner: number) => {
    const face = Math.floor(corner / 3);
    const isOnPlate = [0, 1, 2].every((k) => p[3 * t[3 * face + k] + 2] < 0.01);
    const down = Math.min(1, -normals[3 * face + 2]);
    return down <= 0 || isOnPlate ? 0 : (Math.asin(down) * 180) / Math.PI;
  };
  return painted(drawable(mesh), t.length, leanOf, bands);
}

function painted(
  geometry: BufferGeometry,
  corners: number,
  valueOf: (corner: number) => number,
  bands: readonly Band[],
): BufferGeometry {
  const colours = bands.map(({ colour }) => new Color(colour));
  const values = new Float32Array(3 * corners);
  for (let corner = 0; corner < corners; corner++) {
    const value = valueOf(corner);
    const { r, g, b } = colours[bands.findIndex(({ upTo }) => value < upTo)] ?? colours[colours.length - 1];
    values.set([r, g, b], 3 * corner);
  }
  geometry.setAttribute('color', new BufferAttribute(values, 3));
  return geometry;
}
