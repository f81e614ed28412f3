/** A line of plastic that is drawn in one go. */
export interface Stroke {
  readonly points: [number, number][];
  readonly widthsMm: number[];
}

/** A way without plastic. */
export interface Travel {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  /** Whether the filament is drawn back on it. */
  readonly isDrawnBack: boolean;
}

/** What is drawn at one height, in the order in which it is drawn. */
export interface DrawnLayer {
  readonly zMm: number;
  readonly strokes: Stroke[];
  readonly travels: Travel[];
}

/** What happens after the last line of plastic. */
export interface Ending {
  readonly isDrawnBack: boolean;
  /** How far the nozzle is lifted off. */
  readonly liftMm: number;
  readonly isCold: boolean;
}

/** Layers are no higher, mm. */
export const MOST_HEIGHT_MM = 0.4;
const FILAMENT_MM2 = Math.PI * (1.75 / 2) ** 2;

/** What G-code draws, by its lines alone; filament is counted from line to line. */
export function drawingOf(gcode: string): { layers: DrawnLayer[]; ending: Ending } {
  const layers: DrawnLayer[] = [];
  let [x, y, z, heightMm, drawnBackMm, liftMm] = [0, 0, 0, MOST_HEIGHT_MM, 0, 0];
  const hot = new Set<string>();
  let stroke: Stroke | undefined;
  for (const line of gcode.split('\n')) {
    const words = new Map([...line.replace(/;.*/, '').matchAll(/([A-Z])(-?[\d.]+)/g)].map(([, letter, number]) => [letter, Number(number)])); // oxfmt-ignore
    if (words.get('M') === 104 || words.get('M') === 140) {
      if (words.get('S') === 0) hot.delete(`M${words.get('M')}`);
      else hot.add(`M${words.get('M')}`);
    }
    if (words.get('G') !== 0 && words.get('G') !== 1) continue;
    if (words.has('Z')) {
      liftMm = words.get('Z')! - (layers.at(-1)?.zMm ?? 0);
      z = words.get('Z')!;
    }
    const to = [words.get('X') ?? x, words.get('Y') ?? y] as const;
    const mm = Math.hypot(to[0] - x, to[1] - y);
    const laid = words.get('E') ?? 0;
    if (laid > 0 && mm > 0) {
      if (layers.at(-1)?.zMm !== z) {
        const above = z - (layers.at(-1)?.zMm ?? 0);
        // Over a layer of nothing at all, one begins as high as the one before.
        if (above <= MOST_HEIGHT_MM) heightMm = above;
        layers.push({ zMm: z, strokes: [], travels: [] });
        stroke = undefined;
      }
      if (!stroke) layers.at(-1)!.strokes.push((stroke = { points: [[x, y]], widthsMm: [] }));
      stroke.points.push([...to]);
      stroke.widthsMm.push((laid * FILAMENT_MM2) / (mm * heightMm));
      liftMm = 0;
    } else if (mm > 0) {
      stroke = undefined;
      if (layers.at(-1)?.zMm === z)
        layers.at(-1)!.travels.push({ from: [x, y], to, isDrawnBack: drawnBackMm > 0.01 });
    } else drawnBackMm -= laid;
    [x, y] = to;
  }
  return { layers, ending: { isDrawnBack: drawnBackMm > 0.01, liftMm, isCold: hot.size === 0 } };
}
