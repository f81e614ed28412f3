import fc from 'fast-check';
import { expect, it } from 'vitest';
import { History } from './history.svelte';

it('takes back every edit and does it again, in turn', () => {
  fc.assert(
    fc.property(fc.array(fc.integer(), { minLength: 1 }), (states) => {
      const history = new History<number>();
      let current = 0;
      const seen = [current];
      for (const state of states) {
        history.edited(current);
        current = state;
        seen.push(current);
      }
      for (let i = seen.length - 2; i >= 0; i--) expect((current = history.undo(current)!)).toBe(seen[i]);
      expect(history.undo(current)).toBeUndefined();
      for (let i = 1; i < seen.length; i++) expect((current = history.redo(current)!)).toBe(seen[i]);
      expect(history.canRedo).toBe(false);
    }),
  );
});

it('takes a drag of one number back as one edit, but not two drags of it', () => {
  const history = new History<number>();
  for (let i = 0; i < 10; i++) history.edited(i, 's1 width', 1000 + 50 * i);
  history.edited(10, 's1 width', 5000);
  expect(history.undo(11)).toBe(10);
  expect(history.undo(10)).toBe(0);
  expect(history.canUndo).toBe(false);
});

it('takes a slow drag back as one edit, and two quick drags as two', () => {
  const history = new History<number>();
  for (let i = 0; i < 5; i++) history.edited(i, 's1 width', 5000 * i, 1);
  history.edited(5, 's1 width', 20_100, 2);
  expect(history.undo(6)).toBe(5);
  expect(history.undo(5)).toBe(0);
});

it('forgets what was undone when something else is done', () => {
  const history = new History<string>();
  history.edited('a');
  history.undo('b');
  history.edited('a');
  expect(history.canRedo).toBe(false);
});
