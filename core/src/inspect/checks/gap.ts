import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import { thinIn, thinPlaces } from './thinPlaces.ts';
import { said, say } from '../../words/index.ts';

/** Measures the narrowest slit, whose sides would grow together. */
export const gap: Check<'gap'> = {
  id: 'gap',
  get title() {
    return say('Gaps');
  },
  why: {
    words: said([
      'Lines of plastic spread a little to both sides.',
      'Across a very narrow gap they touch and grow together.',
    ]),
    drawing: [
      ['solid', 'M20 52V18H58V52ZM61 52V18H100V52Z'],
      ['trouble', 'M58 52V18H61V52Z'],
    ],
  },
  notes: {
    measures: 'The narrowest slit, as walls are measured, of the air.',
    limit: '`minGapMm`.',
    blindSpots: 'As for walls. Slits that lie level are not looked for.',
  },
  inspect(subject, { minGapMm, layerMm }) {
    const slits = thinIn(subject, 'slits', { limitMm: minGapMm, layerMm });
    return thinPlaces(subject, slits, minGapMm, (widthMm, verdict) => {
      const is = say('This gap is {widthMm} mm wide', {
        widthMm: formatMeasured(widthMm),
      });
      return verdict === 'fail'
        ? say('{is}; its sides would grow together, since the narrowest that stays open is {minGapMm} mm.', {
            is,
            minGapMm: formatNumber(minGapMm),
          })
        : say('{is}, only just over the narrowest that stays open, {minGapMm} mm.', {
            is,
            minGapMm: formatNumber(minGapMm),
          });
    });
  },
};
