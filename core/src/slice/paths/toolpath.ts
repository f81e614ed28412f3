/** What a line of plastic is for. */
export const roles = [
  'skirt',
  'brim',
  'wall',
  'thin',
  'closed',
  'span',
  'inside',
  'support',
  'smooth',
] as const;
export type Role = (typeof roles)[number];

/** One line of plastic, laid without lifting; coordinates in mm as the part stands. */
export interface Path {
  readonly role: Role;
  readonly points: readonly (readonly [number, number])[];
  /** Whether the line returns to where it began. */
  readonly closed: boolean;
  /** Times the layer's thickness and its length, this is its plastic. */
  readonly widthMm: number;
  /**
   * The corners of the way to its beginning that stays over what is printed; left out where that is not known, so that
   * the filament is drawn back for it.
   */
  readonly way?: readonly (readonly [number, number])[];
}

/** Where the nozzle is after a path. */
export function endOf({ points, closed }: Path): readonly [number, number] {
  return closed ? points[0] : points[points.length - 1];
}

/** Everything that is laid at one height. */
export interface Layer {
  /** The height of the layer's upper side, where the nozzle runs. */
  readonly zMm: number;
  readonly thickMm: number;
  /** The share of the full speed at which it is printed; 1 unless it would be done too soon. */
  readonly pace: number;
  readonly paths: readonly Path[];
}

/** Whether a layer lies on the plate itself. Where parts are printed one after another, each has one that does. */
export function liesOnPlate({ zMm, thickMm }: Pick<Layer, 'zMm' | 'thickMm'>): boolean {
  return zMm - thickMm < ON_PLATE_MM;
}
const ON_PLATE_MM = 1e-6;

/** A place in space, mm. */
export type Spot = readonly [x: number, y: number, z: number];

/** What has to be known of the supports of a part. */
export interface SupportNotes {
  /** Where something hangs that no support can reach. */
  readonly unheld: readonly Spot[];
  /** Where supports stand that no tool gets to, since the part is around them. */
  readonly closedIn: readonly Spot[];
}

/** Parts as the lines of plastic that make them. */
export interface Toolpath {
  /** From the plate upwards; where parts are printed one after another, those of one part after those of the other. */
  readonly layers: readonly Layer[];
  /** Left out where nothing had to be held. */
  readonly supports?: SupportNotes;
}
