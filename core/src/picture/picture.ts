import { encode } from 'fast-png';
import { hexOf, LEVEL_MM, type ColourBands } from '../colours/index.ts';
import { boundsOf, facesOf, type SolidMesh, type Vec3 } from '../mesh/index.ts';

/** How a picture is drawn. Colours are #rrggbb; the part's is that of its filament. */
export interface PictureOptions {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly colour: string;
  /** The colours of the part from the plate up, where it is wished in some. */
  readonly colours?: ColourBands;
  readonly ground: string;
  /** What is seen of one step, by its place in the recipe, in a colour of its own. */
  readonly marked?: { readonly step: number; readonly colour: string };
}

/** Each pixel is drawn as this many by this many and averaged, so that edges are smooth. */
const OVERSAMPLING = 2;

/** A jump in depth of this many pixels' worth draws an edge. */
const FOLD_PIXELS = 3;

/** Seen from the front right and above, the way a part is held to be looked at; light comes over the left shoulder. */
const TURN = (-28 * Math.PI) / 180;
const TILT = (42 * Math.PI) / 180;
const LIGHT: Vec3 = [-0.35, -0.5, 0.79];

/**
 * Draws a solid as a PNG picture, seen from a corner in parallel projection, with hidden surfaces hidden by a depth
 * buffer. An empty mesh gives the bare ground.
 */
export function drawPng(mesh: SolidMesh, options: PictureOptions): Uint8Array {
  const width = options.widthPx * OVERSAMPLING;
  const height = options.heightPx * OVERSAMPLING;
  const fine = new Uint8Array(width * height * 3);
  const ground = rgb(options.ground);
  for (let i = 0; i < fine.length; i += 3) fine.set(ground, i);
  if (mesh.triangles.length > 0) drawTriangles(mesh, fine, width, height, options);
  return encode({
    width: options.widthPx,
    height: options.heightPx,
    channels: 3,
    data: averaged(fine, options.widthPx, options.heightPx),
  });
}

function drawTriangles(
  mesh: SolidMesh,
  pixels: Uint8Array,
  width: number,
  height: number,
  options: PictureOptions,
): void {
  const { positions: p, triangles: t } = mesh;
  const bands = (options.colours ?? []).map(({ fromMm, colour }) => ({ fromMm, rgb: rgb(hexOf(colour)) }));
  const [plain, marked] = [rgb(options.colour), rgb(options.marked?.colour ?? options.colour)];
  const { normals } = facesOf(mesh);
  const { screen, pixelsPerMm } = projected(mesh, width, height);
  const depth = new Float32Array(width * height).fill(-Infinity);
  for (let f = 0; f < t.length / 3; f++) {
    const [ax, ay, az] = at(screen, t[3 * f]);
    const [bx, by, bz] = at(screen, t[3 * f + 1]);
    const [cx, cy, cz] = at(screen, t[3 * f + 2]);
    const area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    // The screen's y runs downwards, so what faces the eye turns the other way there.
    if (area >= 0) continue;
    const lit = normals[3 * f] * LIGHT[0] + normals[3 * f + 1] * LIGHT[1] + normals[3 * f + 2] * LIGHT[2];
    const isMarked = options.marked && mesh.stepOf?.[f] === options.marked.step;
    const [aMm, bMm, cMm] = [0, 1, 2].map((corner) => p[3 * t[3 * f + corner] + 2]);
    const shade = 0.62 + 0.38 * Math.max(-0.6, lit);
    const fromX = Math.max(0, Math.floor(Math.min(ax, bx, cx)));
    const toX = Math.min(width - 1, Math.ceil(Math.max(ax, bx, cx)));
    const fromY = Math.max(0, Math.floor(Math.min(ay, by, cy)));
    const toY = Math.min(height - 1, Math.ceil(Math.max(ay, by, cy)));
    for (let y = fromY; y <= toY; y++) {
      for (let x = fromX; x <= toX; x++) {
        const px = x + 0.5;
        const py = y + 0.5;
        const u = ((cx - bx) * (py - by) - (cy - by) * (px - bx)) / area;
        const v = ((ax - cx) * (py - cy) - (ay - cy) * (px - cx)) / area;
        const w = 1 - u - v;
        if (u < 0 || v < 0 || w < 0) continue;
        const z = u * az + v * bz + w * cz;
        const pixel = y * width + x;
        if (z <= depth[pixel]) continue;
        depth[pixel] = z;
        const zMm = u * aMm + v * bMm + w * cMm;
        const band = bands.findLast(({ fromMm }) => fromMm <= zMm - LEVEL_MM) ?? bands[0];
        const colour = isMarked ? marked : (band?.rgb ?? plain);
        for (let k = 0; k < 3; k++) pixels[3 * pixel + k] = Math.min(255, colour[k] * shade);
      }
    }
  }
  drawEdges(depth, pixels, width, height, FOLD_PIXELS / pixelsPerMm);
}

/**
 * Darkens pixels where the depth jumps or the surface folds, which draws the part's edges as thin lines. The second
 * difference of the depth is looked at, since it is nothing on a flat face however steeply that is seen.
 */
function drawEdges(
  depth: Float32Array,
  pixels: Uint8Array,
  width: number,
  height: number,
  foldMm: number,
): void {
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x;
      const here = depth[i];
      if (here === -Infinity) continue;
      const across = Math.abs(depth[i - 1] + depth[i + 1] - 2 * here);
      const along = Math.abs(depth[i - width] + depth[i + width] - 2 * here);
      if (across < foldMm && along < foldMm) continue;
      for (let k = 0; k < 3; k++) pixels[3 * i + k] *= 0.55;
    }
  }
}

/** x, y in pixels and the nearness to the eye of every vertex, fitted into the picture with a margin. */
function projected(
  mesh: SolidMesh,
  width: number,
  height: number,
): { screen: Float32Array; pixelsPerMm: number } {
  const box = boundsOf(mesh);
  const centre = [0, 1, 2].map((i) => (box.min[i] + box.max[i]) / 2);
  const cosTurn = Math.cos(TURN);
  const sinTurn = Math.sin(TURN);
  const cosTilt = Math.cos(TILT);
  const sinTilt = Math.sin(TILT);
  const out = new Float32Array(mesh.positions.length);
  let spanX = 1e-6;
  let spanY = 1e-6;
  for (let i = 0; i < out.length; i += 3) {
    const x = mesh.positions[i] - centre[0];
    const y = mesh.positions[i + 1] - centre[1];
    const z = mesh.positions[i + 2] - centre[2];
    const across = x * cosTurn - y * sinTurn;
    const away = x * sinTurn + y * cosTurn;
    out[i] = across;
    out[i + 1] = -(away * sinTilt + z * cosTilt);
    out[i + 2] = z * sinTilt - away * cosTilt;
    spanX = Math.max(spanX, Math.abs(out[i]));
    spanY = Math.max(spanY, Math.abs(out[i + 1]));
  }
  const scale = 0.46 * Math.min(width / spanX, height / spanY);
  for (let i = 0; i < out.length; i += 3) {
    out[i] = width / 2 + out[i] * scale;
    out[i + 1] = height / 2 + out[i + 1] * scale;
  }
  return { screen: out, pixelsPerMm: scale };
}

function at(screen: Float32Array, vertex: number): [number, number, number] {
  return [screen[3 * vertex], screen[3 * vertex + 1], screen[3 * vertex + 2]];
}

function averaged(fine: Uint8Array, width: number, height: number): Uint8Array {
  const out = new Uint8Array(width * height * 3);
  const stride = width * OVERSAMPLING;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      for (let k = 0; k < 3; k++) {
        let sum = 0;
        for (let sy = 0; sy < OVERSAMPLING; sy++) {
          for (let sx = 0; sx < OVERSAMPLING; sx++) {
            sum += fine[3 * ((y * OVERSAMPLING + sy) * stride + x * OVERSAMPLING + sx) + k];
          }
        }
        out[3 * (y * width + x) + k] = sum / OVERSAMPLING ** 2;
      }
    }
  }
  return out;
}

function rgb(colour: string): [number, number, number] {
  const value = Number.parseInt(colour.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}
