import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { QueueRow } from './queueRow.ts';
import {
  choicesOf,
  facets,
  groupsOf,
  queryOf,
  rowsIn,
  valueOf,
  viewIn,
  type QueueView,
} from './queueView.ts';

const row = (id: string, more: Partial<QueueRow>): QueueRow => ({
  id,
  part: 'Label',
  student: 'Luca',
  className: '8b',
  brief: 'Greenhouse kit',
  dueOn: null,
  position: Number(id),
  handOrder: null,
  seconds: 600,
  grams: 2,
  material: 'PLA',
  colours: [],
  copy: 1,
  copies: 1,
  state: 'waiting',
  doubt: null,
  waivers: [],
  ...more,
});
const rows = [
  row('1', { student: 'Łukasz', dueOn: '2026-12-05' }),
  row('2', { student: '李娜', className: '10a', part: 'Dibber', material: 'PETG' }),
  row('3', { student: 'Chloé', className: '10a', state: 'held', dueOn: '2026-12-01' }),
  row('4', { student: 'Chloé', className: '9a', state: 'out', colours: ['mint', 'rose'] }),
];
const idsIn = (view: Partial<QueueView>) =>
  rowsIn(rows, { words: '', only: {}, group: undefined, ...view }).map(({ id }) => id);

describe('what of the queue is looked at', () => {
  it.each([
    ['lukasz', '1'],
    ['李', '2'],
    ['chloe 10a', '3'],
    ['DIBBER', '2'],
    ['greenhouse label', '13'],
    ['nobody', ''],
  ])('“%s” finds %s', (words, found) => {
    expect(idsIn({ words }).join('')).toBe(found);
  });

  it('leaves out what was taken out, unless that is asked for', () => {
    expect(idsIn({})).toEqual(['1', '2', '3']);
    expect(idsIn({ only: { state: 'out' } })).toEqual(['4']);
    expect(idsIn({ only: { due: '' } })).toEqual(['2']);
  });

  it('offers the values there are with their counts, classes by their number and what has none last', () => {
    const view = viewIn(new URLSearchParams());
    expect(choicesOf(rows, view, 'class')).toEqual([
      { value: '8b', count: 1 },
      { value: '10a', count: 2 },
    ]);
    expect(choicesOf(rows, view, 'due').map(({ value }) => value)).toEqual(['2026-12-01', '2026-12-05', '']);
    expect(choicesOf(rows, view, 'state')).toContainEqual({ value: 'out', count: 1 });
    // What is chosen can be undone though no part is like that now.
    expect(choicesOf(rows, { ...view, only: { class: '7c' } }, 'class')).toContainEqual({
      value: '7c',
      count: 0,
    });
  });

  it('counts as many parts of a value as are shown when it is chosen', () => {
    const some = fc.record({
      words: fc.constantFrom('', 'label', 'chloe'),
      only: fc.dictionary(fc.constantFrom(...facets), fc.constantFrom('10a', 'PLA', 'held', 'out', '')),
      group: fc.constant(undefined),
    });
    fc.assert(
      fc.property(some, fc.constantFrom(...facets), (view, facet) => {
        for (const { value, count } of choicesOf(rows, view, facet))
          expect(rowsIn(rows, { ...view, only: { ...view.only, [facet]: value } })).toHaveLength(count);
      }),
    );
  });

  it('groups parts in the order of the first of each, and loses none', () => {
    const groups = groupsOf(rows, 'class');
    expect(groups.map(({ value }) => value)).toEqual(['8b', '10a', '9a']);
    expect(groups[1]).toMatchObject({ seconds: 1200, grams: 4 });
    for (const facet of facets) {
      const again = groupsOf(rows, facet).flatMap((group) => group.rows);
      expect(new Set(again)).toEqual(new Set(rows));
      for (const group of groupsOf(rows, facet))
        expect(group.rows.every((each) => valueOf(each, facet) === group.value)).toBe(true);
    }
  });

  it('is the same after it was written into an address and read again', () => {
    const some = fc.record({
      words: fc.string(),
      only: fc.dictionary(fc.constantFrom(...facets), fc.string()),
      group: fc.option(fc.constantFrom(...facets), { nil: undefined }),
    });
    fc.assert(
      fc.property(some, (view) => {
        const again = viewIn(new URLSearchParams(queryOf(view)));
        expect({ ...again, only: { ...again.only } }).toEqual({ ...view, only: { ...view.only } });
      }),
    );
    expect(viewIn(new URLSearchParams('group=nonsense&class=8b'))).toMatchObject({
      group: undefined,
      only: { class: '8b' },
    });
  });
});
