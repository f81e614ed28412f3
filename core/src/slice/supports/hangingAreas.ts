import type { HangingFaces, SolidMesh } from '../../mesh/index.ts';
import type { Outline, Point } from '../../plane/index.ts';
import type { Area, Kernel } from '../../solid/index.ts';

/** A layer of a part: how high it lies, and its section. */
export interface LayerSection {
  /** The height of its upper side. */
  readonly zMm: number;
  readonly thickMm: number;
  readonly area: Area;
}

/** Faces are looked at so much wider than they are, since sections are true to a few hundredths of a millimetre. */
const AROUND_MM = 0.2;
/** Triangles that cover less than this stand upright, mm². */
const LEAST_MM2 = 1e-6;

/**
 * What of each layer lies over nothing and under one of the faces that hang; undefined where there is none of it.
 */
export function hangingAreas(
  kernel: Kernel,
  mesh: SolidMesh,
  hanging: readonly HangingFaces[],
  layers: readonly LayerSection[],
): (Area | undefined)[] {
  const shadows = new Map<number, Outline[]>();
  for (const { faces, toMm = Infinity } of hanging) {
    for (const face of faces) {
      const { outline, lowMm, highMm } = shadowOf(mesh, face);
      if (!outline) continue;
      const last = layerHolding(layers, Math.min(highMm, toMm));
      for (let index = layerHolding(layers, lowMm); index <= last && index < layers.length; index++) {
        const known = shadows.get(index);
        if (known) known.push(outline);
        else shadows.set(index, [outline]);
      }
    }
  }
  /** The last shadow that was laid out: a slope lies over many layers with the same triangles. */
  let last: { readonly outlines: readonly Outline[]; readonly area: Area } | undefined;
  const shadowIn = (outlines: Outline[], { area }: LayerSection): Area => {
    const isSame =
      last?.outlines.length === outlines.length && outlines.every((each, i) => each === last!.outlines[i]);
    if (!isSame) last = { outlines, area: area.made(kernel, outlines).grown(AROUND_MM, 'sharp') };
    return last!.area;
  };
  return layers.map((layer, index) => {
    const outlines = shadows.get(index);
    const below = layers[index - 1]?.area;
    if (!outlines || !below || layer.area === below) return undefined;
    const over = layer.area.without(below);
    if (over.isEmpty()) return undefined;
    const hangs = over.and(shadowIn(outlines, layer));
    return hangs.isEmpty() ? undefined : hangs;
  });
}

/** A triangle seen from below, and from where to where it reaches. */
function shadowOf(
  { positions: p, triangles }: SolidMesh,
  face: number,
): { outline?: Outline; lowMm: number; highMm: number } {
  const corners = [0, 1, 2].map((k) => 3 * triangles[3 * face + k]);
  const heights = corners.map((at) => p[at + 2]);
  const [a, b, c] = corners.map((at): Point => [p[at], p[at + 1]]);
  const twiceMm2 = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  const reach = { lowMm: Math.min(...heights), highMm: Math.max(...heights) };
  if (Math.abs(twiceMm2) < 2 * LEAST_MM2) return reach;
  return { ...reach, outline: twiceMm2 > 0 ? [a, b, c] : [a, c, b] };
}

/** The first layer whose section lies above a height; the number of layers if none does. */
function layerHolding(layers: readonly LayerSection[], zMm: number): number {
  let [low, high] = [0, layers.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const { zMm: topMm, thickMm } = layers[middle];
    if (topMm - thickMm / 2 > zMm) high = middle;
    else low = middle + 1;
  }
  return low;
}
