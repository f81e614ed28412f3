import { describe, expect, it } from 'vitest';
import { CannotNow } from '../basics/cannotNow.ts';
import { inTurn } from './inTurn.ts';

/** Work that is done when it is told so. */
function work() {
  let isBegun = false;
  let finish!: (value: string) => void;
  let fail!: (problem: Error) => void;
  const ends = new Promise<string>((resolve, reject) => ([finish, fail] = [resolve, reject]));
  return {
    run: () => {
      isBegun = true;
      return ends;
    },
    isBegun: () => isBegun,
    finish: (value: string) => finish(value),
    fail: (problem: Error) => fail(problem),
  };
}
const aMoment = () => new Promise((resolve) => setTimeout(resolve));

describe('what one person sends', () => {
  it('is done one after the other, also where the first fails, and nobody else waits for it', async () => {
    const [first, second, other] = [work(), work(), work()];
    const begun = [inTurn('asha', first.run), inTurn('asha', second.run), inTurn('bruno', other.run)];
    await aMoment();
    expect([first, second, other].map((each) => each.isBegun())).toEqual([true, false, true]);
    const failed = expect(begun[0]).rejects.toThrow('cut short');
    first.fail(new Error('cut short'));
    await failed;
    await aMoment();
    expect(second.isBegun()).toBe(true);
    second.finish('taken');
    other.finish('taken too');
    expect(await Promise.all(begun.slice(1))).toEqual(['taken', 'taken too']);
  });

  it('is refused with a sentence where much waits already, and taken again later', async () => {
    const all = Array.from({ length: 5 }, work);
    const begun = all.map(({ run }) => inTurn('asha', run));
    await expect(inTurn('asha', work().run)).rejects.toThrow(CannotNow);
    for (const { finish } of all) finish('taken');
    await Promise.all(begun);
    const again = work();
    again.finish('taken again');
    expect(await inTurn('asha', again.run)).toBe('taken again');
  });
});
