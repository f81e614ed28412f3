import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import { thinPlaces } from '../thinPlaces.ts';

/** Measures the thinnest wall or letter stroke. Corners and tips of a sound shape are no thin walls. */
export const wall: Check = {
  id: 'wall',
  title: 'Walls',
  inspect(subject, { minWallMm, layerMm }) {
    return thinPlaces(subject, 'walls', minWallMm, layerMm, (widthMm, verdict) => {
      const is = `This wall is ${formatMm(Math.round(100 * widthMm) / 100)} mm thick`;
      return verdict === 'fail'
        ? `${is}; the thinnest that prints well is ${formatMm(minWallMm)} mm.`
        : `${is}, only just over the thinnest that prints well, ${formatMm(minWallMm)} mm.`;
    });
  },
};
