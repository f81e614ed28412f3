import { describe, expect, it, vi } from 'vitest';
import { recipeOf } from '@kelbrin/core/design';
import { added, deep, depthOf, design, wordsOf, TestTab, wait } from './testServer';

const on = TestTab.forTests();

describe('saving', () => {
  it('waits for a pause and then saves the last state once', async () => {
    for (const words of ['B', 'Ba', 'Bas']) {
      on.autosave.changed(design(words));
      await wait(100);
    }
    expect(on.autosave.state).toBe('saving');
    await wait(1000);
    expect(on.server.saves).toEqual(['Bas']);
    expect(on.autosave.state).toBe('saved');
    expect(on.autosave.revision).toBe(2);
    expect(on.server.kept.size).toBe(0);
  });

  it('saves what was edited while a save was on its way', async () => {
    on.autosave.changed(design('one'));
    const flushed = on.autosave.flush();
    on.autosave.changed(design('two'));
    await flushed;
    await wait(1000);
    expect(on.server.saves).toEqual(['one', 'two']);
    expect(on.autosave.state).toBe('saved');
  });

  it('keeps the last of quick edits in the browser when the page goes before they are saved', async () => {
    on.server.cut = true;
    for (const words of ['B', 'Ba', 'Bas']) {
      on.autosave.changed(design(words));
      await wait(60);
    }
    on.autosave.close();
    const recovered = on.opened().recover({ revision: 1, design: on.server.design });
    expect(wordsOf(recovered!)).toBe('Bas');
  });

  it('saves at once when asked to, and says whether everything arrived', async () => {
    on.autosave.changed(design('now'));
    expect(await on.autosave.flush()).toBe(true);
    on.server.cut = true;
    on.autosave.changed(design('later'));
    expect(await on.autosave.flush()).toBe(false);
  });
});

describe('without a connection', () => {
  it('keeps every edit here, and saves the last when the connection is back', async () => {
    on.server.cut = true;
    on.autosave.changed(design('one'));
    await wait(1000);
    expect(on.autosave.state).toBe('offline');
    on.autosave.changed(design('two'));
    await wait(10_000);
    expect(on.server.saves).toEqual([]);
    expect([...on.server.kept.values()][0]).toContain('two');
    on.server.cut = false;
    await wait(4000);
    expect(on.server.saves).toEqual(['two']);
    expect(on.autosave.state).toBe('saved');
  });

  it('takes a lost answer for no conflict', async () => {
    on.server.answerLost = true;
    on.autosave.changed(design('one'));
    await wait(1000);
    on.server.answerLost = false;
    await wait(4000);
    expect(on.autosave.state).toBe('saved');
    expect(on.autosave.revision).toBe(2);
    expect(on.server.saves).toEqual(['one']);
  });

  it('hands the edits of a closed tab to the next, which saves them', async () => {
    on.server.cut = true;
    on.autosave.changed(design('lost?'));
    await wait(1000);
    on.autosave.close();
    on.server.cut = false;
    const next = on.opened();
    expect(wordsOf(next.recover({ revision: 1, design: on.server.design })!)).toBe('lost?');
    await wait(1000);
    expect(on.server.saves).toEqual(['lost?']);
    expect(next.state).toBe('saved');
  });

  it('merges the edits of a closed tab with what was saved since', async () => {
    on.server.cut = true;
    on.autosave.changed(deep('base', 3));
    await wait(1000);
    on.autosave.close();
    on.server.cut = false;
    on.server.another(design('theirs'));
    const next = on.opened();
    expect(wordsOf(next.recover({ revision: 2, design: on.server.design })!)).toBe('base');
    await wait(1000);
    expect(next.state).toBe('saved');
    expect(on.server.saves).toEqual(['theirs']);
    expect(depthOf(on.server.design)).toBe(3);
  });

  it('asks where the edits of a closed tab were kept without what they were made from', async () => {
    const words = JSON.stringify({ baseRevision: 1, design: design('mine') });
    on.server.kept.set('kelbrin draft p1', words);
    on.server.another(design('theirs'));
    const next = on.opened();
    next.recover({ revision: 2, design: on.server.design });
    await wait(1000);
    expect(next.state).toBe('conflict');
    expect(next.clashes).toEqual([]);
    await next.keepMine();
    expect(on.server.saves).toEqual(['mine']);
  });

  it('saves once what two tabs have of one draft', async () => {
    on.server.answer = Response.json({}, { status: 503 });
    on.autosave.changed(added(on.server.design));
    await wait(1000);
    const next = on.opened();
    next.recover({ revision: 1, design: on.server.design });
    on.server.answer = undefined;
    await wait(120_000);
    expect(recipeOf(on.server.design).steps).toHaveLength(recipeOf(design('base')).steps.length + 1);
    expect([on.autosave.state, next.state]).toEqual(['saved', 'saved']);
  });

  it('forgets a kept state that the server has already', () => {
    on.server.kept.set('kelbrin draft p1', JSON.stringify({ baseRevision: 0, design: on.server.design }));
    expect(on.autosave.recover({ revision: 1, design: on.server.design })).toBeUndefined();
    expect(on.server.kept.size).toBe(0);
  });

  it.each([
    ['is of another version', JSON.stringify({ baseRevision: 1, design: { version: 99, parts: [] } })],
    ['was cut short', '{"broken'],
  ])('never deletes a kept state that %s: it is handed out word for word', async (_, words) => {
    on.server.kept.set('kelbrin draft p1', words);
    expect(on.autosave.recover({ revision: 1, design: on.server.design })).toBeUndefined();
    expect(on.autosave.unread.map((each) => each.words)).toEqual([words]);
    // Edits that follow are kept and saved beside it, and the next tab finds it again.
    on.autosave.changed(design('after'));
    await wait(1000);
    expect(on.server.saves).toEqual(['after']);
    const next = on.opened();
    next.recover({ revision: 2, design: on.server.design });
    expect(next.unread.map((each) => each.words)).toEqual([words]);
    next.forget(next.unread[0]);
    expect(next.unread).toEqual([]);
    expect(on.server.kept.size).toBe(0);
  });
});

describe('a save that does not arrive', () => {
  const answers = (status: number, body: unknown = { message: 'No.' }) => {
    on.server.answer = Response.json(body, { status });
    on.autosave.changed(design('mine'));
    return wait(1000);
  };
  const isKept = () => expect([...on.server.kept.values()].join()).toContain('mine');

  it.each([400, 403, 404, 413])(
    'with %i is refused: it says why, is kept, and is not sent for ever',
    async (status) => {
      await answers(status, { message: 'This is larger than 500 kB, more than a project can be.' });
      expect(on.autosave.state).toBe('refused');
      expect(on.autosave.refusal).toBe('This is larger than 500 kB, more than a project can be.');
      isKept();
      const put = vi.spyOn(on.server, 'put');
      await wait(120_000);
      expect(put).not.toHaveBeenCalled();
      // Another state may be one that can be taken.
      on.server.answer = undefined;
      on.autosave.changed(design('smaller'));
      await wait(1000);
      expect(on.autosave).toMatchObject({ state: 'saved', refusal: undefined });
    },
  );

  it('with 401 waits until somebody is signed in again', async () => {
    await answers(401);
    expect(on.autosave.state).toBe('signedOut');
    isKept();
    on.server.answer = undefined;
    await wait(4000);
    expect(on.server.saves).toEqual(['mine']);
  });

  it.each([429, 500, 503])('with %i is sent again after pauses that grow', async (status) => {
    await answers(status);
    expect(on.autosave.state).toBe('busy');
    isKept();
    const put = vi.spyOn(on.server, 'put');
    await wait(120_000);
    expect(put.mock.calls.length).toBeGreaterThan(2);
    expect(put.mock.calls.length).toBeLessThan(10);
    on.server.answer = undefined;
    await wait(60_000);
    expect(on.autosave.state).toBe('saved');
  });

  it('with an answer that cannot be read is kept and said', async () => {
    await answers(409, { revision: 2, design: { version: 99 } });
    expect(on.autosave.state).toBe('refused');
    isKept();
    await answers(200, { nonsense: true });
    expect(on.autosave.state).toBe('refused');
    isKept();
  });
});
