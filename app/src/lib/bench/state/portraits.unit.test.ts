import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { addPart, designOf, type Design } from '@kelbrin/core/design';
import { label } from '../../../../../core/test/recipes';
import { Portraits } from './portraits.svelte';

const twoParts = (words: string): Design => {
  const added = addPart(designOf(label(words), 'One'), 'Two', label('Two'));
  if (!added.ok) throw new Error(added.problem.message);
  return added.design;
};
let asked: ((png: Uint8Array<ArrayBuffer> | undefined) => void)[];
let portraits: Portraits;
let made = 0;
const revoked: string[] = [];
beforeEach(() => {
  asked = [];
  made = revoked.length = 0;
  vi.stubGlobal('URL', {
    createObjectURL: () => `blob:${++made}`,
    revokeObjectURL: (url: string) => revoked.push(url),
  });
  portraits = new Portraits((_, portrayed) => asked.push(portrayed));
});
afterEach(() => vi.unstubAllGlobals());
const png = new Uint8Array(1);

it('are drawn one after the other, and again only of what was changed', () => {
  portraits.drawNext(twoParts('A'));
  portraits.drawNext(twoParts('A'));
  expect(asked).toHaveLength(1);
  asked[0](png);
  portraits.drawNext(twoParts('A'));
  asked[1](png);
  portraits.drawNext(twoParts('A'));
  expect(asked).toHaveLength(2);
  expect([...portraits.urls]).toEqual([
    ['p1', 'blob:1'],
    ['p2', 'blob:2'],
  ]);
  portraits.drawNext(twoParts('B'));
  asked[2](png);
  expect(portraits.urls.get('p1')).toBe('blob:3');
  expect(revoked).toEqual(['blob:1']);
});

it('are left out for a part alone, and for one that cannot be built', () => {
  portraits.drawNext(designOf(label()));
  expect(asked).toEqual([]);
  portraits.drawNext(twoParts('A'));
  asked[0](undefined);
  expect([...portraits.urls]).toEqual([]);
  portraits.drawNext(twoParts('A'));
  expect(asked).toHaveLength(2);
});
