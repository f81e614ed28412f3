import { expect, it } from 'vitest';
import { otherwiseWords } from './otherwiseWords';

it('says what was chosen, and nothing of what is as the batch has it', () => {
  expect(otherwiseWords({})).toBe('');
  expect(otherwiseWords({ infillShare: 0.8, infillWay: 'lines', infillDirections: 2 })).toBe(
    'Inside filled: 80 %; Lines inside: lines crossed',
  );
  expect(otherwiseWords({ infillWay: 'waves', wallLines: 4, smoothsTops: false })).toBe(
    'Lines inside: waves; Wall lines: 4; Tops: as they come',
  );
  expect(otherwiseWords({ seam: 'behind' })).toBe('Seam: at the back');
  // A mark goes before whatever else is said of the seam.
  expect(otherwiseWords({ seam: 'behind', seamAtMm: [3, -2] })).toBe('Seam: at a mark');
});
