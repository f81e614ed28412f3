/* How built surfaces differ from what they stand for. */

/** Circles are built of 24 to 256 edges, so facets of one surface meet at no more than 15 degrees. */
export const MOST_TURN = (16.5 * Math.PI) / 180;
export const LEAST_TURN = (0.4 * Math.PI) / 180;

/** Whether two facets that meet at an angle may stand for one surface. */
export const isSmooth = (turn: number) => turn > LEAST_TURN && turn < MOST_TURN;

/** What is bent by fewer facets, or by less, is taken as the facets that it is. */
export const LEAST_FACETS = 4;
export const LEAST_SPAN = (28 * Math.PI) / 180;

/** How near corners lie to the circle that they were set on, mm. */
export const ON_CIRCLE_MM = 2e-4;

/**
 * What slopes about an axis is built by growing inscribed outlines, whose corners move farther than their edges: corners
 * lie so near to the true surface, mm.
 */
export const NEAR_TURN_MM = 2e-3;

/** At the ends of a turn they move farther, mm. */
export const GROWN_MM = 8e-3;

/** Chords of different lengths lie up to so much deeper than each other in one circle, mm. */
export const CHORD_MM = 0.02;

/** What leans less than this, by the sine, is upright. */
export const UPRIGHT = 1e-4;

/** A surface of a part is no larger, mm. */
export const MOST_RADIUS_MM = 2000;
