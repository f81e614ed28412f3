import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inFairOrder } from '../../../shared/proposal.ts';
import { handOrders } from './handOrders.ts';

interface Part {
  readonly id: string;
  readonly student: string;
  readonly dueOn: string | null;
  readonly handOrder: number | null;
}
const parts = fc
  .array(
    fc.record({
      student: fc.constantFrom('Asha', 'Femi', 'Luca'),
      dueOn: fc.constantFrom(null, '2026-12-05', '2026-12-09'),
      handOrder: fc.option(fc.integer({ min: -9, max: 9 })),
    }),
    { minLength: 1, maxLength: 12 },
  )
  // Of two in one place, which is first is not said.
  .map((all) =>
    all.filter(
      (part, i) =>
        all.findIndex((each) => each.handOrder === part.handOrder) === i || part.handOrder === null,
    ),
  )
  .map((all) => all.map((part, i): Part => ({ id: `${i}`, ...part })));

/** The queue after parts were put before one of the others, or at the end. */
function after(all: readonly Part[], ids: ReadonlySet<string>, index: number) {
  const order = inFairOrder(all);
  const moved = order.filter(({ id }) => ids.has(id));
  const others = order.filter(({ id }) => !ids.has(id));
  const changed = handOrders(others, moved, index);
  const written = all.map((part) => ({ ...part, handOrder: changed.get(part.id) ?? part.handOrder }));
  const asked = [...others.slice(0, index), ...moved, ...others.slice(index)];
  return { changed, written, asked: asked.map(({ id }) => id), others };
}

describe('places by hand', () => {
  it('put whatever parts where they are wished, and leave all others in their order', () => {
    fc.assert(
      fc.property(parts, fc.array(fc.nat(11)), fc.nat(12), (all, picked, at) => {
        const ids = new Set(picked.map((i) => all[i % all.length].id));
        const { written, asked } = after(all, ids, at % (all.length - ids.size + 1));
        expect(inFairOrder(written).map(({ id }) => id)).toEqual(asked);
      }),
    );
  });

  it('write no more than the moved part at the top, however long the queue is', () => {
    const queue = Array.from({ length: 900 }, (_, i): Part => ({
      id: `${i}`,
      student: `${i}`,
      dueOn: null,
      handOrder: null,
    }));
    const { changed, written } = after(queue, new Set(['700']), 0);
    expect([...changed.keys()]).toEqual(['700']);
    expect([...after(written, new Set(['800']), 0).changed.keys()]).toEqual(['800']);
    expect([...after(written, new Set(['800']), 1).changed.keys()]).toEqual(['800']);
  });

  it('hold though parts are put between the same two again and again', () => {
    let queue = ['a', 'b', 'c', 'd'].map((id, i): Part => ({ id, student: id, dueOn: null, handOrder: i }));
    for (let turn = 0; turn < 200; turn++) {
      const [, , , last] = inFairOrder(queue);
      queue = after(queue, new Set([last.id]), 1).written;
      expect(inFairOrder(queue)[1].id).toBe(last.id);
    }
  });
});
