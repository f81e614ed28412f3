import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { recipeOf } from '@kelbrin/core/design';
import { Autosave } from './autosave.svelte';
import { added, deep, depthOf, design, Server, wordsOf } from './testServer';

let server: Server;
let autosave: Autosave;
beforeEach(() => {
  vi.useFakeTimers();
  server = new Server();
  autosave = tab();
});
afterEach(() => {
  autosave.close();
  vi.useRealTimers();
});

/** A tab that was opened now. */
const tab = () => new Autosave('p1', { revision: server.revision, design: server.design }, server);

const wait = (ms: number) => vi.advanceTimersByTimeAsync(ms);

describe('saving', () => {
  it('waits for a pause and then saves the last state once', async () => {
    for (const words of ['B', 'Ba', 'Bas']) {
      autosave.changed(design(words));
      await wait(100);
    }
    expect(autosave.state).toBe('saving');
    await wait(1000);
    expect(server.saves).toEqual(['Bas']);
    expect(autosave.state).toBe('saved');
    expect(autosave.revision).toBe(2);
    expect(server.kept.size).toBe(0);
  });

  it('saves what was edited while a save was on its way', async () => {
    autosave.changed(design('one'));
    const flushed = autosave.flush();
    autosave.changed(design('two'));
    await flushed;
    await wait(1000);
    expect(server.saves).toEqual(['one', 'two']);
    expect(autosave.state).toBe('saved');
  });

  it('keeps the last of quick edits in the browser when the page goes before they are saved', async () => {
    server.cut = true;
    for (const words of ['B', 'Ba', 'Bas']) {
      autosave.changed(design(words));
      await wait(60);
    }
    autosave.close();
    const recovered = tab().recover({ revision: 1, design: server.design });
    expect(wordsOf(recovered!)).toBe('Bas');
  });

  it('saves at once when asked to, and says whether everything arrived', async () => {
    autosave.changed(design('now'));
    expect(await autosave.flush()).toBe(true);
    server.cut = true;
    autosave.changed(design('later'));
    expect(await autosave.flush()).toBe(false);
  });
});

describe('without a connection', () => {
  it('keeps every edit here, and saves the last when the connection is back', async () => {
    server.cut = true;
    autosave.changed(design('one'));
    await wait(1000);
    expect(autosave.state).toBe('offline');
    autosave.changed(design('two'));
    await wait(10_000);
    expect(server.saves).toEqual([]);
    expect([...server.kept.values()][0]).toContain('two');
    server.cut = false;
    await wait(4000);
    expect(server.saves).toEqual(['two']);
    expect(autosave.state).toBe('saved');
  });

  it('takes a lost answer for no conflict', async () => {
    server.answerLost = true;
    autosave.changed(design('one'));
    await wait(1000);
    server.answerLost = false;
    await wait(4000);
    expect(autosave.state).toBe('saved');
    expect(autosave.revision).toBe(2);
    expect(server.saves).toEqual(['one']);
  });

  it('hands the edits of a closed tab to the next, which saves them', async () => {
    server.cut = true;
    autosave.changed(design('lost?'));
    await wait(1000);
    autosave.close();
    server.cut = false;
    const next = tab();
    expect(wordsOf(next.recover({ revision: 1, design: server.design })!)).toBe('lost?');
    await wait(1000);
    expect(server.saves).toEqual(['lost?']);
    expect(next.state).toBe('saved');
  });

  it('merges the edits of a closed tab with what was saved since', async () => {
    server.cut = true;
    autosave.changed(deep('base', 3));
    await wait(1000);
    autosave.close();
    server.cut = false;
    server.another(design('theirs'));
    const next = tab();
    expect(wordsOf(next.recover({ revision: 2, design: server.design })!)).toBe('base');
    await wait(1000);
    expect(next.state).toBe('saved');
    expect(server.saves).toEqual(['theirs']);
    expect(depthOf(server.design)).toBe(3);
  });

  it('asks where the edits of a closed tab were kept without what they were made from', async () => {
    const words = JSON.stringify({ baseRevision: 1, design: design('mine') });
    server.kept.set('kelbrin draft p1', words);
    server.another(design('theirs'));
    const next = tab();
    next.recover({ revision: 2, design: server.design });
    await wait(1000);
    expect(next.state).toBe('conflict');
    expect(next.clashes).toEqual([]);
    await next.keepMine();
    expect(server.saves).toEqual(['mine']);
  });

  it('saves once what two tabs have of one draft', async () => {
    server.answer = Response.json({}, { status: 503 });
    autosave.changed(added(server.design));
    await wait(1000);
    const next = tab();
    next.recover({ revision: 1, design: server.design });
    server.answer = undefined;
    await wait(120_000);
    expect(recipeOf(server.design).steps).toHaveLength(recipeOf(design('base')).steps.length + 1);
    expect([autosave.state, next.state]).toEqual(['saved', 'saved']);
  });

  it('forgets a kept state that the server has already', () => {
    server.kept.set('kelbrin draft p1', JSON.stringify({ baseRevision: 0, design: server.design }));
    expect(autosave.recover({ revision: 1, design: server.design })).toBeUndefined();
    expect(server.kept.size).toBe(0);
  });

  it.each([
    ['is of another version', JSON.stringify({ baseRevision: 1, design: { version: 99, parts: [] } })],
    ['was cut short', '{"broken'],
  ])('never deletes a kept state that %s: it is handed out word for word', async (_, words) => {
    server.kept.set('kelbrin draft p1', words);
    expect(autosave.recover({ revision: 1, design: server.design })).toBeUndefined();
    expect(autosave.unread.map((each) => each.words)).toEqual([words]);
    // Edits that follow are kept and saved beside it, and the next tab finds it again.
    autosave.changed(design('after'));
    await wait(1000);
    expect(server.saves).toEqual(['after']);
    const next = tab();
    next.recover({ revision: 2, design: server.design });
    expect(next.unread.map((each) => each.words)).toEqual([words]);
    next.forget(next.unread[0]);
    expect(next.unread).toEqual([]);
    expect(server.kept.size).toBe(0);
  });
});

describe('a save that does not arrive', () => {
  const answers = (status: number, body: unknown = { message: 'No.' }) => {
    server.answer = Response.json(body, { status });
    autosave.changed(design('mine'));
    return wait(1000);
  };
  const isKept = () => expect([...server.kept.values()].join()).toContain('mine');

  it.each([400, 403, 404, 413])(
    'with %i is refused: it says why, is kept, and is not sent for ever',
    async (status) => {
      await answers(status, { message: 'This is larger than 500 kB, more than a project can be.' });
      expect(autosave.state).toBe('refused');
      expect(autosave.refusal).toBe('This is larger than 500 kB, more than a project can be.');
      isKept();
      const put = vi.spyOn(server, 'put');
      await wait(120_000);
      expect(put).not.toHaveBeenCalled();
      // Another state may be one that can be taken.
      server.answer = undefined;
      autosave.changed(design('smaller'));
      await wait(1000);
      expect(autosave).toMatchObject({ state: 'saved', refusal: undefined });
    },
  );

  it('with 401 waits until somebody is signed in again', async () => {
    await answers(401);
    expect(autosave.state).toBe('signedOut');
    isKept();
    server.answer = undefined;
    await wait(4000);
    expect(server.saves).toEqual(['mine']);
  });

  it.each([429, 500, 503])('with %i is sent again after pauses that grow', async (status) => {
    await answers(status);
    expect(autosave.state).toBe('busy');
    isKept();
    const put = vi.spyOn(server, 'put');
    await wait(120_000);
    expect(put.mock.calls.length).toBeGreaterThan(2);
    expect(put.mock.calls.length).toBeLessThan(10);
    server.answer = undefined;
    await wait(60_000);
    expect(autosave.state).toBe('saved');
  });

  it('with an answer that cannot be read is kept and said', async () => {
    await answers(409, { revision: 2, design: { version: 99 } });
    expect(autosave.state).toBe('refused');
    isKept();
    await answers(200, { nonsense: true });
    expect(autosave.state).toBe('refused');
    isKept();
  });
});
