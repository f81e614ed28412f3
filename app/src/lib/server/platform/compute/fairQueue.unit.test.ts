import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FairQueue, ofStaff, ofStudent } from './fairQueue.ts';

const [asha, bruno] = [ofStudent('asha'), ofStudent('bruno')];

describe('tasks that wait', () => {
  it('of one student run one after the other', () => {
    const queue = new FairQueue<string>();
    queue.add(asha, 'a1');
    queue.add(asha, 'a2');
    expect(queue.next()).toBe('a1');
    expect(queue.next()).toBeUndefined();
    queue.done(asha);
    expect(queue.next()).toBe('a2');
  });

  it('let somebody with one task wait behind one of a student with many', () => {
    const queue = new FairQueue<string>();
    for (const task of ['a1', 'a2', 'a3']) queue.add(asha, task);
    expect(queue.next()).toBe('a1');
    queue.add(bruno, 'b1');
    queue.done(asha);
    expect([queue.next(), queue.next()]).toEqual(['a2', 'b1']);
  });

  it('of staff may run side by side, and take turns with those of students', () => {
    const queue = new FairQueue<string>();
    for (const task of ['s1', 's2', 's3']) queue.add(ofStaff, task);
    queue.add(asha, 'a1');
    expect([queue.next(), queue.next(), queue.next(), queue.next()]).toEqual(['s1', 'a1', 's2', 's3']);
  });

  it('run all, each once, and none of a student beside another of theirs', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5), { maxLength: 60 }), fc.integer({ min: 1, max: 4 }), (ids, places) => {
        const queue = new FairQueue<{ owner: number; task: number }>();
        ids.forEach((owner, task) => queue.add(ofStudent(String(owner)), { owner, task }));
        const running: { owner: number; task: number }[] = [];
        const done: number[] = [];
        while (done.length < ids.length) {
          for (let next; running.length < places && (next = queue.next());) running.push(next);
          expect(new Set(running.map(({ owner }) => owner)).size).toBe(running.length);
          const { owner, task } = running.shift()!;
          done.push(task);
          queue.done(ofStudent(String(owner)));
        }
        expect(done.toSorted((a, b) => a - b)).toEqual(ids.map((_, i) => i));
        expect(queue.length).toBe(0);
      }),
    );
  });
});
