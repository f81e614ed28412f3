import { beforeEach, describe, expect, it } from 'vitest';
import { recipeOf } from '@kelbrin/core/design';
import { added, deep, depthOf, design, wordsOf, TestTab, wait } from './testServer';

const on = TestTab.forTests();

describe('two people', () => {
  it('have both edits where they changed different things, without being asked', async () => {
    on.server.another(design('theirs'));
    on.autosave.changed(deep('base', 3));
    await wait(2000);
    expect(on.autosave.state).toBe('saved');
    expect(on.server.saves).toEqual(['theirs']);
    expect(depthOf(on.server.design)).toBe(3);
    expect(on.server.taken.map((taken) => taken.design)).toEqual([on.server.design]);
  });

  it('have two steps where both added one, and go on from ids that are free', async () => {
    const before = recipeOf(on.server.design).steps.length;
    on.server.another(added(on.server.design));
    const mine = added(design('base'));
    on.autosave.changed(mine);
    await wait(2000);
    expect(recipeOf(on.server.design).steps).toHaveLength(before + 2);
    const [{ renamed }] = on.server.taken;
    expect(recipeOf(renamed(mine)).steps.at(-1)).toEqual(recipeOf(on.server.design).steps.at(-1));
  });

  it('add a step once, however often its answer is lost while others save', async () => {
    const before = recipeOf(on.server.design).steps.length;
    on.server.answerLost = true;
    on.autosave.changed(added(on.server.design));
    await wait(1000);
    on.server.answerLost = false;
    on.server.another(added(on.server.design));
    on.autosave.changed(added(added(design('base'))));
    await wait(5000);
    expect(on.autosave.state).toBe('saved');
    expect(recipeOf(on.server.design).steps).toHaveLength(before + 3);
  });

  describe('who changed the same', () => {
    beforeEach(async () => {
      on.server.another(design('theirs'));
      on.autosave.changed(deep('mine', 3));
      await wait(1000);
    });

    it('never overwrite each other by themselves', async () => {
      expect(on.autosave.state).toBe('conflict');
      expect(wordsOf(on.autosave.theirs!.design)).toBe('theirs');
      expect(on.autosave.clashes.flatMap(({ changes }) => changes)).toHaveLength(1);
      expect(on.autosave.clashes[0].changes[0].words).toMatch(/theirs.*mine/);
      on.autosave.changed(deep('mine again', 3));
      await wait(10_000);
      expect(on.server.saves).toEqual([]);
      expect([...on.server.kept.values()][0]).toContain('mine again');
    });

    it.each(['mine', 'theirs'])('go on with the word of %s, and with all else of both', async (whose) => {
      await (whose === 'mine' ? on.autosave.keepMine() : on.autosave.takeTheirs());
      expect(on.autosave).toMatchObject({ state: 'saved', theirs: undefined, clashes: [] });
      expect([wordsOf(on.server.design), depthOf(on.server.design)]).toEqual([whose, 3]);
      expect(wordsOf(on.server.taken[0].instead!)).toBe(whose === 'mine' ? 'theirs' : 'mine');
    });

    it('are asked anew when something else is saved meanwhile', async () => {
      on.server.another(design('base'));
      on.autosave.hear({ revision: on.server.revision, design: on.server.design });
      await wait(1000);
      expect(on.autosave.state).toBe('saved');
      expect([wordsOf(on.server.design), depthOf(on.server.design)]).toEqual(['mine', 3]);
    });
  });
});

describe('hearing what somebody else saved', () => {
  it('shows a newer state while nothing waits here, and goes on from it', async () => {
    on.autosave.hear({ revision: 1, design: design('Old') });
    expect(on.server.taken).toEqual([]);
    on.server.another(design('Theirs'));
    on.autosave.hear({ revision: 2, design: on.server.design });
    expect(on.server.taken.map((taken) => wordsOf(taken.design))).toEqual(['Theirs']);
    on.autosave.changed(design('Mine on top'));
    await wait(600);
    expect(on.autosave.state).toBe('saved');
    expect(on.server.saves).toEqual(['Mine on top']);
  });

  it('shows what came while a save was on its way once that has arrived', async () => {
    on.autosave.changed(design('Mine'));
    const saved = on.autosave.flush();
    await saved;
    on.server.another(deep('Mine', 3));
    on.autosave.changed(design('Mine'));
    on.autosave.hear({ revision: on.server.revision, design: on.server.design });
    expect(on.server.taken).toEqual([]);
    await wait(2000);
    expect(depthOf(on.server.taken.at(-1)!.design)).toBe(3);
    expect(on.autosave.revision).toBe(on.server.revision);
  });
});
