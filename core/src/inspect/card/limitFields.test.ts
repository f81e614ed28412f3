import { expect, it } from 'vitest';
import { classroomLimits, limitAt, limitFields, limitLabel, withLimit } from '../index.ts';

const all = limitFields.flatMap(({ fields }) => fields);

/** The paths of all numbers in a card. */
function numbersIn(value: unknown, path: readonly (string | number)[] = []): string[] {
  if (typeof value === 'number') return [path.join()];
  if (Array.isArray(value)) return value.flatMap((each, i) => numbersIn(each, [...path, i]));
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, each]) => numbersIn(each, [...path, key]));
}

it('has a label for every number of a card but those of lists, and for nothing else', () => {
  const { layerHeightsMm, ...card } = classroomLimits;
  expect(layerHeightsMm.length).toBeGreaterThan(0);
  expect(all.map(({ path }) => path.join()).sort()).toEqual(numbersIn(card).sort());
  expect(new Set(all.map(({ label }) => label)).size).toBe(all.length);
});

it('reads and changes each number, and no other', () => {
  for (const field of all) {
    const changed = withLimit(classroomLimits, field, 1.5);
    expect(limitAt(changed, field)).toBe(1.5);
    for (const other of all) {
      if (other !== field) expect(limitAt(changed, other)).toBe(limitAt(classroomLimits, other));
    }
  }
});

it('calls a field as it is labelled', () => {
  expect(limitLabel(['fitAllowanceMm', 'snug'])).toBe('Added for a snug fit');
  expect(limitLabel(['layerHeightsMm', 0])).toBe('Layer heights allowed');
  expect(limitLabel(['wishes', 0])).toBe('wishes › 0');
});
