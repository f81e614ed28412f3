/** A point or direction in a plane, mm. */
export type Point = [number, number];

/** A closed outline of points in mm; the last point joins the first. */
export type Outline = Point[];

/** An area bounded by outlines: counter-clockwise ones add, clockwise ones are its openings. */
export type Region = Outline[];

/** From the lowest to the highest value along one axis. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/** How far something reaches along x and y. */
export interface Extent {
  readonly x: Range;
  readonly y: Range;
}

/** The least and greatest x and y of a region, or of other lines; zero where there are none. */
export function extentOf(region: readonly (readonly Readonly<Point>[])[]): Extent {
  let [lowX, lowY, highX, highY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const outline of region) {
    for (const [x, y] of outline) {
      if (x < lowX) lowX = x;
      if (x > highX) highX = x;
      if (y < lowY) lowY = y;
      if (y > highY) highY = y;
    }
  }
  if (lowX > highX) return { x: { low: 0, high: 0 }, y: { low: 0, high: 0 } };
  return { x: { low: lowX, high: highX }, y: { low: lowY, high: highY } };
}

/** The rectangle that reaches just so far, counter-clockwise. */
export function rectangle({ x, y }: Extent): Outline {
  return [[x.low, y.low], [x.high, y.low], [x.high, y.high], [x.low, y.high]]; // oxfmt-ignore
}

/** The area of an outline in mm², negative when it turns clockwise (the shoelace formula). */
export function signedAreaOf(outline: Outline): number {
  let twice = 0;
  let [px, py] = outline.at(-1) ?? [0, 0];
  for (const [x, y] of outline) {
    twice += px * y - x * py;
    [px, py] = [x, y];
  }
  return twice / 2;
}

/** The area of a region in mm², its openings left out. */
export function regionAreaOf(region: Region): number {
  return region.reduce((sum, outline) => sum + signedAreaOf(outline), 0);
}

/** How many points a region has. */
export function pointsOf(region: Region): number {
  return region.reduce((sum, { length }) => sum + length, 0);
}

/** The region with every point put where `to` says. A map that mirrors must be followed by {@link reversed}. */
export function mapped(region: Region, to: (point: Point) => Point): Region {
  return region.map((outline) => outline.map(to));
}

/** The region moved by dx, dy mm. */
export function moved(region: Region, dx: number, dy: number): Region {
  return mapped(region, ([x, y]) => [x + dx, y + dy]);
}

/** The region turned counter-clockwise about the origin. */
export function turned(region: Region, deg: number): Region {
  const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return mapped(region, ([x, y]) => [cos * x - sin * y, sin * x + cos * y]);
}

/** The region seen in a mirror that stands along the y axis; outlines go on turning the way they did. */
export function mirrored(region: Region): Region {
  return stretched(region, -1, 1);
}

/** The region made larger or smaller about the origin. */
export function scaled(region: Region, factor: number): Region {
  return stretched(region, factor, factor);
}

/** The region made larger or smaller about the origin along each axis; a negative factor mirrors it. */
export function stretched(region: Region, x: number, y: number): Region {
  const there = mapped(region, ([px, py]) => [px * x, py * y]);
  return x * y < 0 ? reversed(there) : there;
}

/** The region with every outline turning the other way. */
export function reversed(region: Region): Region {
  return region.map((outline) => outline.toReversed());
}

/** The outline turning counter-clockwise, as material does. */
export function counterClockwise(outline: Outline): Outline {
  return signedAreaOf(outline) < 0 ? outline.toReversed() : outline;
}

/** The region moved so that the middle of its extent lies in the origin. */
export function centred(region: Region): Region {
  const { x, y } = extentOf(region);
  return moved(region, -(x.low + x.high) / 2, -(y.low + y.high) / 2);
}

/** Drops points that repeat the one before them, as curves make where they meet. */
export function withoutRepeats(outline: Outline, withinMm = 1e-9): Outline {
  return outline.filter(([x, y], i) => {
    const [px, py] = outline[(i + outline.length - 1) % outline.length];
    return Math.hypot(x - px, y - py) > withinMm;
  });
}
