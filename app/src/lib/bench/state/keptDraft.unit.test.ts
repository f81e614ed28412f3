import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { KeptDraft } from './keptDraft.ts';
import { design, Server, wordsOf } from './testServer.ts';

let server: Server;
const tab = (projectId = 'p') => new KeptDraft(projectId, server.storage);
const draft = (words: string) => ({
  base: { revision: 1, design: design('begun') },
  sent: [],
  design: design(words),
});
const readBy = (each: KeptDraft) => {
  const read = each.read();
  return read && wordsOf(read.design);
};
beforeEach(() => (server = new Server()));

describe('two tabs with the same project', () => {
  it('keep their edits beside each other, and tabs opened later find those of each', () => {
    const [one, two] = [tab(), tab()];
    one.write(draft('left'));
    two.write(draft('right'));
    one.write(draft('left again'));
    two.write(draft('right again'));
    // Both are gone. The next tab reads one, and has it saved.
    const next = tab();
    expect(readBy(next)).toBe('left again');
    next.remove();
    expect(readBy(tab())).toBe('right again');
  });

  it('throw away what is their own alone, once it is saved', () => {
    const [one, two] = [tab(), tab()];
    one.write(draft('left'));
    two.write(draft('right'));
    one.remove();
    expect(readBy(tab())).toBe('right');
    // One that has nothing here any more throws away nothing.
    one.remove();
    expect(readBy(tab())).toBe('right');
    two.remove();
    expect(server.kept.size).toBe(0);
  });

  it('part where one has read what the other goes on with', () => {
    const one = tab();
    one.write(draft('left'));
    const two = tab();
    expect(readBy(two)).toBe('left');
    one.write(draft('left again'));
    two.write(draft('right'));
    two.remove();
    expect(readBy(tab())).toBe('left again');
  });

  it('do not meet the drafts of another project', () => {
    tab('p').write(draft('here'));
    expect(readBy(tab('q'))).toBeUndefined();
    tab('q').write(draft('there'));
    tab('q').remove();
    expect(readBy(tab('p'))).toBe('here');
  });

  it('lose the last state of none that is not saved, in whatever order they write and are saved', () => {
    const steps = fc.array(fc.tuple(fc.nat(2), fc.constantFrom('writes', 'saved')), { maxLength: 30 });
    fc.assert(
      fc.property(steps, (all) => {
        server = new Server();
        const tabs = [tab(), tab(), tab()];
        const waiting = new Map<number, string>();
        all.forEach(([who, what], i) => {
          if (what === 'writes') {
            tabs[who].write(draft(`${i}`));
            waiting.set(who, `${i}`);
          } else {
            tabs[who].remove();
            waiting.delete(who);
          }
        });
        const found: string[] = [];
        for (let later = tab(), words = readBy(later); words; later = tab(), words = readBy(later)) {
          found.push(words);
          later.remove();
        }
        expect(found.toSorted()).toEqual([...waiting.values()].toSorted());
      }),
    );
  });
});

it('what cannot be read is put aside, and does not hide what can', () => {
  const tabs = [tab(), tab(), tab()];
  tabs.forEach((each, i) => each.write(draft(`${i}`)));
  const [first, second] = server.kept.keys();
  server.kept.set(first, 'no draft').set(second, 'nor this');
  const later = tab();
  expect(readBy(later)).toBe('2');
  expect(later.unread().map(({ words }) => words)).toEqual(['no draft', 'nor this']);
});

it('what is too much for the storage leaves what was kept before, which is thrown away once all is saved', () => {
  const [one, { storage }] = [tab(), server];
  one.write(draft('left'));
  const { setItem } = storage;
  storage.setItem = () => {
    throw new Error('full');
  };
  expect(() => one.write(draft('left again'))).toThrow();
  storage.setItem = setItem;
  one.write(draft('left once more'));
  one.remove();
  expect(server.kept.size).toBe(0);
});
