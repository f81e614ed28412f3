import type { Relief } from '../recipe/index.ts';

/** What the brief says of the part, beyond the limits card. */
export interface BriefRules {
  /** The part may come in several bodies. */
  readonly severalBodies?: boolean;
  /** Small hands will hold it: nothing sharp is let through. */
  readonly forSmallHands?: boolean;
}

/** What printing the part takes, at the settings of the class. */
export interface PrintNeeds {
  readonly minutes: number;
  readonly grams: number;
}

/** What is known of a part beyond its shape; whatever is not known is not looked at. */
export interface AboutPart {
  /** The ids of the recipe's steps in order, so that findings name the steps they come from. */
  readonly stepIds?: readonly string[];
  readonly reliefs?: readonly Relief[];
  readonly brief?: BriefRules;
  readonly print?: PrintNeeds;
  /** The surface comes from elsewhere, so that it may cross itself; one that was made from a recipe cannot. */
  readonly isForeign?: boolean;
  /** What had to be mended when it was read, a sentence each. */
  readonly mended?: readonly string[];
}
