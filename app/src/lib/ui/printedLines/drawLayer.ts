import type { extentOf } from '@kelbrin/core/plane';
import { lengthAlong, type CutLine, type Path, type Progress, type Role } from '@kelbrin/core/slice';
import type { ShownLayer } from './shownLayer';

/** What each kind of line is drawn in, on slate; none of them in a colour of trouble. */
export const roleColours: Record<Role, string> = {
  wall: '#F2EBDC',
  thin: '#F6C453',
  closed: '#7FB8A4',
  span: '#B58BD6',
  inside: '#5E8FB0',
  support: '#D98C8C',
  smooth: '#C9DDD3',
  skirt: '#A9A39A',
  brim: '#D9C7A0',
};
/** From where to where on the plate is looked at, mm. */
export type View = ReturnType<typeof extentOf>;

const GROUND = '#3B4747';
const UNDER = '#566463';
/** What has nothing under it is trouble, unlike what spans a gap. */
export const HANGING = '#FF8A6B';
const HATCH_MM = 0.45;
/** Lines are drawn a little smaller than they are, so that they can be told from each other. */
const APART = 0.8;
/** Narrower lines than this are drawn a pixel wide; and a little less than one, so that no rounding makes it more. */
const THIN_PX = 1.5;
const ONE_PX = 0.999;

/** Draws a part of the plate with a layer as far as it is laid, over the layer below. */
export function drawLayer(
  canvas: HTMLCanvasElement,
  { layer, under, hanging }: ShownLayer,
  view: View,
  { lines, share }: Pick<Progress, 'lines' | 'share'>,
): void {
  const pen = penFor(canvas, view);
  pen.lineCap = 'round';
  pen.lineJoin = 'round';
  if (under) strokeAll(pen, under.paths, () => UNDER);
  strokeAll(pen, layer.paths.slice(0, lines), ({ role }) => roleColours[role]);
  const begun = layer.paths[lines];
  if (begun && share > 0) {
    dip(pen, begun, roleColours[begun.role]);
    trace(pen, begun, share * lengthAlong(begun));
    pen.stroke();
  }
  // Short strokes across, as trouble is hatched elsewhere.
  pen.strokeStyle = HANGING;
  pen.lineWidth = 0.12;
  pen.beginPath();
  for (const [[x, y], [toX, toY]] of hanging) {
    const length = Math.hypot(toX - x, toY - y) || 1;
    const [acrossX, acrossY] = [(HATCH_MM * (y - toY)) / length, (HATCH_MM * (toX - x)) / length];
    pen.moveTo(x - acrossX, y - acrossY);
    pen.lineTo(toX + acrossX, toY + acrossY);
  }
  pen.stroke();
}

/** Draws lines of plastic where they are cut across; y of the view is the height. */
export function drawCut(canvas: HTMLCanvasElement, cuts: readonly CutLine[], view: View): void {
  const pen = penFor(canvas, view);
  for (const { role, xMm, topMm, widthMm, thickMm } of cuts) {
    pen.fillStyle = roleColours[role];
    pen.fillRect(xMm - widthMm / 2, topMm - thickMm, widthMm, APART * thickMm);
  }
  pen.fillStyle = UNDER;
  pen.fillRect(view.x.low, -0.3, view.x.high - view.x.low, 0.3);
}

/** A pen that counts in mm, its y upwards, on a cleared canvas that shows all of the view. */
function penFor(canvas: HTMLCanvasElement, { x, y }: View): CanvasRenderingContext2D {
  const ratio = devicePixelRatio || 1;
  const { clientWidth, clientHeight } = canvas;
  canvas.width = clientWidth * ratio;
  canvas.height = clientHeight * ratio;
  const pen = canvas.getContext('2d')!;
  const scale = ratio * Math.min(clientWidth / (x.high - x.low), clientHeight / (y.high - y.low));
  pen.fillStyle = GROUND;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  // The plate's y runs to the back, the canvas's downwards.
  const left = canvas.width / 2 - (scale * (x.low + x.high)) / 2;
  const front = canvas.height / 2 + (scale * (y.low + y.high)) / 2;
  pen.setTransform(scale, 0, 0, -scale, left, front);
  return pen;
}

/**
 * Draws paths in their order. Lines of one pixel are drawn in one stroke where they are alike; of wider ones each is a
 * stroke, since many that meet take browsers longer in one.
 */
function strokeAll(
  pen: CanvasRenderingContext2D,
  paths: readonly Path[],
  colourOf: (path: Path) => string,
): void {
  let last: Path | undefined;
  for (const path of paths) {
    const isAlike = last && colourOf(last) === colourOf(path) && last.widthMm === path.widthMm;
    if (!isAlike || !isThin(pen, path)) {
      if (last) pen.stroke();
      dip(pen, path, colourOf(path));
    }
    trace(pen, path, Infinity);
    last = path;
  }
  if (last) pen.stroke();
}

/** Whether a line is drawn as one of a single pixel, which browsers draw in a fifth of the time. */
const isThin = (pen: CanvasRenderingContext2D, { widthMm }: Path) =>
  APART * widthMm * pen.getTransform().a < THIN_PX;

/** Begins a stroke of a colour that is as wide as a path. */
function dip(pen: CanvasRenderingContext2D, path: Path, colour: string): void {
  pen.strokeStyle = colour;
  pen.lineWidth = isThin(pen, path) ? ONE_PX / pen.getTransform().a : APART * path.widthMm;
  pen.beginPath();
}

/** Follows a path for at most so many mm. */
function trace(pen: CanvasRenderingContext2D, { points, closed }: Path, mostMm: number): void {
  pen.moveTo(...points[0]);
  let drawn = 0;
  let [x, y] = points[0];
  for (const [toX, toY] of closed ? [...points.slice(1), points[0]] : points.slice(1)) {
    const length = Math.hypot(toX - x, toY - y);
    const part = Math.min(1, (mostMm - drawn) / length);
    pen.lineTo(x + part * (toX - x), y + part * (toY - y));
    drawn += part * length;
    if (part < 1) break;
    [x, y] = [toX, toY];
  }
}
