import { moved, turned, type Point, type Region } from '../plane/index.ts';

/** The plate of a printer, left to right and front to back, and how near to its edge parts may come. */
export interface Plate {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly edgeMm: number;
}

/** Where the middle of a part's box lies, counted from the front left corner of the plate, and how it is turned about the vertical. */
export interface Pose {
  readonly xMm: number;
  readonly yMm: number;
  /** Counter-clockwise, 0 to 360. */
  readonly turnDeg: number;
}

/** A part to be laid, with what it covers; see {@link footprintOf}. */
export interface Placeable {
  readonly id: string;
  readonly footprint: Region;
}

/** A part with its place. */
export interface Placed extends Placeable, Pose {}

/** Where the places of a part, counted from the middle of its box, lie on the plate. */
export function onPlate({ xMm, yMm, turnDeg }: Pose): (place: Readonly<Point>) => Point {
  const angle = (turnDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return ([x, y]) => [xMm + c * x - s * y, yMm + s * x + c * y];
}

/** The other way about: which places of a part lie at places on the plate. */
export function onPart({ xMm, yMm, turnDeg }: Pose): (place: Readonly<Point>) => Point {
  const back = onPlate({ xMm: 0, yMm: 0, turnDeg: -turnDeg });
  return ([x, y]) => back([x - xMm, y - yMm]);
}

/**
 * What a part covers of the plate at a place. The middle of its box stays where it is when the part is turned, and not the
 * middle of the box that it has then.
 */
export function coveredBy(footprint: Region, { xMm, yMm, turnDeg }: Pose): Region {
  return moved(turned(footprint, turnDeg), xMm, yMm);
}
