import type { PartOrigin } from '../../recipe/index.ts';

/** What printing the part takes, at the settings of the class. */
export interface PrintNeeds {
  readonly minutes: number;
  readonly grams: number;
  /** What of it goes into supports; left out where there are none. */
  readonly supports?: SupportNeeds;
}

/** A place on a part, mm. */
type Spot = readonly [x: number, y: number, z: number];

/** What holding a part from below takes. */
export interface SupportNeeds {
  readonly minutes: number;
  readonly grams: number;
  /** Where something hangs that no support can reach. */
  readonly unheld: readonly Spot[];
  /** Where supports stand that no tool gets to. */
  readonly closedIn: readonly Spot[];
}

/** What is known of a part beyond its shape; whatever is not known is not looked at. */
export interface AboutPart {
  /** What its recipe tells, so that findings name the steps they come from. */
  readonly origin?: PartOrigin;
  readonly print?: PrintNeeds;
  /** The surface comes from elsewhere, so that it may cross itself; one that was made from a recipe cannot. */
  readonly isForeign?: boolean;
  /** What had to be mended when it was read, a sentence each. */
  readonly mended?: readonly string[];
}
