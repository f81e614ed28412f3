import { expect, it } from 'vitest';
import { unbroken } from './unbroken.ts';

const shown = (words: string) => unbroken(words).replaceAll('\u00a0', '_');

it('keeps a number with its unit and its sign', () => {
  expect(
    shown('This hole is Ø 1.6 mm and closes; Ø 2 mm, 12 mm², 6.4 cm³, 4.8 g and 22 min are 7 mm tall.'),
  ).toBe('This hole is Ø_1.6_mm and closes; Ø_2_mm, 12_mm², 6.4_cm³, 4.8_g and 22_min are 7_mm tall.');
});

it('leaves other words apart', () => {
  expect(shown('Step 2 has 3 holes, 5 good ones, 4 sides and 2 minutes')).toBe(
    'Step 2 has 3 holes, 5 good ones, 4 sides and 2 minutes',
  );
});
