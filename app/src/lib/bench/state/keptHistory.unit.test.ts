import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { label } from '../../../../../core/test/recipes';
import { KeptHistory, type HistoryStore } from './keptHistory';

const state = (words?: string) => designOf(label(words));

let kept: Map<string, unknown>;
let store: HistoryStore;
beforeEach(() => {
  vi.useFakeTimers();
  kept = new Map();
  store = {
    get: async (key) => kept.get(key),
    set: async (key, value) => void kept.set(key, structuredClone(value)),
  };
});
afterEach(() => vi.useRealTimers());

describe('the kept history', () => {
  it('is found again with the state that it leads to', async () => {
    const history = new KeptHistory('p1', store);
    history.changed(state('c'), () => ({ past: [state('a'), state('b')], future: [state('d')] }));
    await vi.runAllTimersAsync();
    const found = await new KeptHistory('p1', store).recover(state('c'));
    expect(found).toEqual({ past: [state('a'), state('b')], future: [state('d')] });
  });

  it('is left alone when the project was changed elsewhere, or is another one', async () => {
    const history = new KeptHistory('p1', store);
    history.changed(state('c'), () => ({ past: [state('a')], future: [] }));
    await vi.runAllTimersAsync();
    expect(await new KeptHistory('p1', store).recover(state('other'))).toBeUndefined();
    expect(await new KeptHistory('p2', store).recover(state('c'))).toBeUndefined();
  });

  it('is not written over before it has been looked for, however slow the browser is', async () => {
    kept.set('kelbrin history p1', { current: state('c'), past: [state('a')], future: [] });
    const slow: HistoryStore = {
      ...store,
      get: (key) => new Promise((resolve) => setTimeout(() => resolve(kept.get(key)), 5_000)),
    };
    const history = new KeptHistory('p1', slow);
    let past: ReturnType<typeof state>[] = [];
    history.recover(state('c')).then(
      (found) => (past = [...(found?.past ?? [])]),
      () => {},
    );
    history.changed(state('c'), () => ({ past, future: [] }));
    await vi.runAllTimersAsync();
    expect(kept.get('kelbrin history p1')).toMatchObject({ past: [state('a')] });
  });

  it('goes back only as far as every state can still be read', async () => {
    kept.set('kelbrin history p1', {
      current: state('c'),
      past: [state('a'), { version: 99 }, state('b')],
      future: [],
    });
    expect((await new KeptHistory('p1', store).recover(state('c')))?.past).toEqual([state('b')]);
  });

  it('of a browser that keeps nothing is no history and no error', async () => {
    const broken: HistoryStore = {
      get: () => Promise.reject(new Error('no')),
      set: () => Promise.reject(new Error('no')),
    };
    const history = new KeptHistory('p1', broken);
    history.changed(state(), () => ({ past: [], future: [] }));
    await vi.runAllTimersAsync();
    expect(await history.recover(state())).toBeUndefined();
  });
});
