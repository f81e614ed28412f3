import type { PartOrigin } from '../../recipe/index.ts';

/** What printing the part takes, at the settings of the class. */
export interface PrintNeeds {
  readonly minutes: number;
  readonly grams: number;
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
