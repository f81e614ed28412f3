import type { extentOf } from '@kelbrin/core/plane';
import { lengthAlong, type Path, type Role } from '@kelbrin/core/slice';
import type { ShownLayer } from './messages';

/** What each kind of line is drawn in, on slate; bridges are in the colour of warnings, since they hang. */
export const roleColours: Record<Role, string> = {
  perimeter: '#F2EBDC',
  thin: '#F6C453',
  solid: '#7FB8A4',
  bridge: '#E2571F',
  infill: '#5E8FB0',
  skirt: '#A9A39A',
  brim: '#C9B8E0',
};
/** From where to where on the bed is looked at, mm. */
export type View = ReturnType<typeof extentOf>;

const GROUND = '#3B4747';
const UNDER = '#566463';

/** Draws a part of the bed with a layer as it is laid, up to a share of its length, over the layer below. */
export function drawLayer(
  canvas: HTMLCanvasElement,
  { layer, under }: ShownLayer,
  view: View,
  share: number,
): void {
  const ratio = devicePixelRatio || 1;
  const { clientWidth, clientHeight } = canvas;
  canvas.width = clientWidth * ratio;
  canvas.height = clientHeight * ratio;
  const pen = canvas.getContext('2d')!;
  const { x, y } = view;
  const scale = ratio * Math.min(clientWidth / (x.high - x.low), clientHeight / (y.high - y.low));
  pen.fillStyle = GROUND;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  // The bed's y runs to the back, the canvas's downwards.
  const left = canvas.width / 2 - (scale * (x.low + x.high)) / 2;
  const front = canvas.height / 2 + (scale * (y.low + y.high)) / 2;
  pen.setTransform(scale, 0, 0, -scale, left, front);
  pen.lineCap = 'round';
  pen.lineJoin = 'round';
  if (under) for (const path of under.paths) stroke(pen, path, UNDER, Infinity);

  let leftMm = share * layer.paths.reduce((sum, path) => sum + lengthAlong(path), 0);
  for (const path of layer.paths) {
    if (leftMm <= 0) break;
    leftMm -= stroke(pen, path, roleColours[path.role], leftMm);
  }
}

/** Draws a path for at most so many mm; returns how many it was. */
function stroke(
  pen: CanvasRenderingContext2D,
  { points, closed, widthMm }: Path,
  colour: string,
  mostMm: number,
): number {
  pen.strokeStyle = colour;
  // Lines stay apart, so that they can be told from each other.
  pen.lineWidth = 0.8 * widthMm;
  pen.beginPath();
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
  pen.stroke();
  return drawn;
}
