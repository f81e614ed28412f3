import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import { thinFloors } from './thinFloors.ts';
import { thinIn, thinPlaces } from './thinPlaces.ts';
import { said, say } from '../../words/index.ts';

/**
 * Measures the thinnest wall or letter stroke as seen from above, and the thinnest floor from top to bottom. Corners and
 * tips of a sound shape are no thin walls.
 */
/** How many times the limit is looked up to for floors, so that a part that passes has a figure as well. */
const LOOK_TO = 3;

export const wall: Check<'wall'> = {
  id: 'wall',
  get title() {
    return say('Walls');
  },
  why: {
    words: said([
      'A line of plastic is only as thin as the nozzle lets it be.',
      'A wall that is thinner than two lines comes out with holes, or not at all.',
    ]),
    drawing: [
      ['solid', 'M20 52V44H58V12H61V44H100V52Z'],
      ['trouble', 'M58 44V12H61V44Z'],
    ],
  },
  notes: {
    measures:
      'The thinnest wall in sections between the heights at which the part has corners: at each place of an outline the largest circle that fits, if it touches the other side opposite within 30°; and the thinnest floor, looking straight down. A wall goes on for at least twice its width and 0.4 mm, is there two layers lower or higher as well and tapers by less than 30°, and a floor is somewhere as wide as a wall has to be, so that tips, corners, crests and steps of a sound shape are none.',
    limit: '`minWallMm`. Passing parts get a figure up to two and a half times that.',
    source:
      'The circles: H. Blum, A Transformation for Extracting New Descriptors of Shape, 1967 (medial axis).',
    blindSpots:
      'Walls are looked for in at most 16 sections between levels and in six more, at the heights where it is thinnest straight across, as seen from about 600 places; the thinnest of those that lean is followed up and down to 0.04 mm. A thin wall of less than about a square millimetre may be missed beside more than 16 levels. Floors are looked for under 1,500 places.',
  },
  inspect(subject, { minWallMm, layerMm }) {
    const walls = thinIn(subject, 'walls', { limitMm: minWallMm, layerMm });
    const floors = thinFloors(subject, LOOK_TO * minWallMm, minWallMm);
    return thinPlaces(subject, [...walls, ...floors], minWallMm, (widthMm, verdict, isFloor) => {
      const size = say('{widthMm} mm thick', { widthMm: formatMeasured(widthMm) });
      const is = isFloor
        ? say('From top to bottom this is only {size}', { size })
        : say('This wall is {size}', { size });
      return verdict === 'fail'
        ? say('{is}; the thinnest that prints well is {minWallMm} mm.', {
            is,
            minWallMm: formatNumber(minWallMm),
          })
        : say('{is}, only just over the thinnest that prints well, {minWallMm} mm.', {
            is,
            minWallMm: formatNumber(minWallMm),
          });
    });
  },
};
