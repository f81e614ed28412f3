import { expect, it } from 'vitest';
import { followingFor, newsFor, readSaid } from './streamWords.ts';

it('reads what was said', () => {
  expect(readSaid(followingFor(1234.6))).toEqual({ quietMs: 1234 });
  expect(readSaid(newsFor('class:1', '77'))).toEqual({ topic: 'class:1', change: 77 });
  expect(readSaid(newsFor('class:1'))).toEqual({ topic: 'class:1', change: undefined });
});

it('says a topic alone as the data, which is all that an older page reads', () => {
  expect(followingFor(5).data).toBe('following');
  expect(newsFor('queue', '12').data).toBe('queue');
});
