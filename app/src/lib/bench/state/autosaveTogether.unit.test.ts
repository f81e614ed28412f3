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

describe('two people', () => {
  it('have both edits where they changed different things, without being asked', async () => {
    server.another(design('theirs'));
    autosave.changed(deep('base', 3));
    await wait(2000);
    expect(autosave.state).toBe('saved');
    expect(server.saves).toEqual(['theirs']);
    expect(depthOf(server.design)).toBe(3);
    expect(server.taken.map((taken) => taken.design)).toEqual([server.design]);
  });

  it('have two steps where both added one, and go on from ids that are free', async () => {
    const before = recipeOf(server.design).steps.length;
    server.another(added(server.design));
    const mine = added(design('base'));
    autosave.changed(mine);
    await wait(2000);
    expect(recipeOf(server.design).steps).toHaveLength(before + 2);
    const [{ renamed }] = server.taken;
    expect(recipeOf(renamed(mine)).steps.at(-1)).toEqual(recipeOf(server.design).steps.at(-1));
  });

  it('add a step once, however often its answer is lost while others save', async () => {
    const before = recipeOf(server.design).steps.length;
    server.answerLost = true;
    autosave.changed(added(server.design));
    await wait(1000);
    server.answerLost = false;
    server.another(added(server.design));
    autosave.changed(added(added(design('base'))));
    await wait(5000);
    expect(autosave.state).toBe('saved');
    expect(recipeOf(server.design).steps).toHaveLength(before + 3);
  });

  describe('who changed the same', () => {
    beforeEach(async () => {
      server.another(design('theirs'));
      autosave.changed(deep('mine', 3));
      await wait(1000);
    });

    it('never overwrite each other by themselves', async () => {
      expect(autosave.state).toBe('conflict');
      expect(wordsOf(autosave.theirs!.design)).toBe('theirs');
      expect(autosave.clashes.flatMap(({ changes }) => changes)).toHaveLength(1);
      expect(autosave.clashes[0].changes[0].words).toMatch(/theirs.*mine/);
      autosave.changed(deep('mine again', 3));
      await wait(10_000);
      expect(server.saves).toEqual([]);
      expect([...server.kept.values()][0]).toContain('mine again');
    });

    it.each(['mine', 'theirs'])('go on with the word of %s, and with all else of both', async (whose) => {
      await (whose === 'mine' ? autosave.keepMine() : autosave.takeTheirs());
      expect(autosave).toMatchObject({ state: 'saved', theirs: undefined, clashes: [] });
      expect([wordsOf(server.design), depthOf(server.design)]).toEqual([whose, 3]);
      expect(wordsOf(server.taken[0].instead!)).toBe(whose === 'mine' ? 'theirs' : 'mine');
    });

    it('are asked anew when something else is saved meanwhile', async () => {
      server.another(design('base'));
      autosave.hear({ revision: server.revision, design: server.design });
      await wait(1000);
      expect(autosave.state).toBe('saved');
      expect([wordsOf(server.design), depthOf(server.design)]).toEqual(['mine', 3]);
    });
  });
});

describe('hearing what somebody else saved', () => {
  it('shows a newer state while nothing waits here, and goes on from it', async () => {
    autosave.hear({ revision: 1, design: design('Old') });
    expect(server.taken).toEqual([]);
    server.another(design('Theirs'));
    autosave.hear({ revision: 2, design: server.design });
    expect(server.taken.map((taken) => wordsOf(taken.design))).toEqual(['Theirs']);
    autosave.changed(design('Mine on top'));
    await wait(600);
    expect(autosave.state).toBe('saved');
    expect(server.saves).toEqual(['Mine on top']);
  });

  it('shows what came while a save was on its way once that has arrived', async () => {
    autosave.changed(design('Mine'));
    const saved = autosave.flush();
    await saved;
    server.another(deep('Mine', 3));
    autosave.changed(design('Mine'));
    autosave.hear({ revision: server.revision, design: server.design });
    expect(server.taken).toEqual([]);
    await wait(2000);
    expect(depthOf(server.taken.at(-1)!.design)).toBe(3);
    expect(autosave.revision).toBe(server.revision);
  });
});
