import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  outlookOf,
  planWeek,
  priceOf,
  type Attended,
  type PlannedPrinter,
  type WaitingPart,
  type WeekBatch,
  type WeekProblem,
} from './index.ts';

const HOUR = 3600_000;
const DAY = 24 * HOUR;
/** A Monday at nine. */
const NOW = Date.UTC(2026, 10, 30, 9);

/** Somebody is there from nine to three on so many days; prints may run alone until the next morning, or not. */
const days = (count: number, isAlone = true): Attended[] =>
  Array.from({ length: count }, (_, i) => {
    const fromMs = NOW + i * DAY;
    const toMs = fromMs + 6 * HOUR;
    return { fromMs, toMs, aloneUntilMs: isAlone && i + 1 < count ? fromMs + DAY : toMs };
  });
const part = (id: string, more: Partial<WaitingPart> = {}): WaitingPart => ({
  id,
  student: id,
  brief: 'Labels',
  dueMs: undefined,
  kind: 'green',
  seconds: 1200,
  grams: 4,
  areaMm2: 2700,
  isRisky: false,
  ...more,
});
const printer = (id: string, more: Partial<PlannedPrinter> = {}): PlannedPrinter => ({
  id,
  areaMm2: 40_000,
  loaded: [{ material: 'PLA', colour: 'leafGreen' }],
  freeMs: NOW,
  kinds: ['green', 'white', 'any'],
  ...more,
});
const problem = (more: Partial<WeekProblem>): WeekProblem => ({
  nowMs: NOW,
  parts: [],
  kinds: [
    { id: 'green', material: 'PLA', colour: 'leafGreen', readyS: 180 },
    { id: 'white', material: 'PLA', colour: 'chalkWhite', readyS: 180 },
    { id: 'any', material: 'PLA', colour: undefined, readyS: 180 },
  ],
  printers: [printer('Alder'), printer('Birch')],
  attended: days(5),
  pinned: [],
  ...more,
});
const many = (count: number, more: (i: number) => Partial<WaitingPart> = () => ({})) =>
  Array.from({ length: count }, (_, i) => part(`${i}`, more(i)));
const plan = (of: WeekProblem, rounds = 200) => planWeek(of, { rounds, used: () => 0 });

describe('a plan of a week', () => {
  it('gives two printers that are free their share', () => {
    const batches = plan(problem({ parts: many(10) }));
    expect(batches.map((each) => each.parts.length).toSorted()).toEqual([5, 5]);
    expect(new Set(batches.map((each) => each.printer)).size).toBe(2);
  });

  it('prints what is due tomorrow before what is due next week', () => {
    const parts = many(40, (i) => ({
      dueMs: i < 30 ? NOW + 4 * DAY : NOW + 7 * HOUR,
      brief: i < 30 ? 'later' : 'soon',
    }));
    const of = problem({ parts });
    const soon = outlookOf(of, plan(of)).find(({ brief }) => brief === 'soon')!;
    expect(soon).toMatchObject({ parts: 10, late: 0 });
    expect(soon.doneMs).toBeLessThanOrEqual(NOW + 7 * HOUR);
  });

  it('changes filament once for each colour, and not to and fro', () => {
    const parts = many(24, (i) => ({ kind: i % 2 ? 'white' : 'green' }));
    const changes = plan(problem({ parts, printers: [printer('Alder')] })).filter(
      (each) => each.changesFilament,
    );
    expect(changes).toHaveLength(1);
  });

  it('runs long parts overnight, and none when nobody comes the next day', () => {
    const parts = [part('tall', { seconds: 8 * 3600 })];
    const [batch] = plan(problem({ parts }));
    expect(batch).toMatchObject({ isOvernight: true, parts: ['tall'] });
    expect(plan(problem({ parts, attended: days(1) }))).toEqual([]);
    expect(plan(problem({ parts, attended: days(5, false) }))).toEqual([]);
  });

  it('prints what may fail while somebody is there', () => {
    const parts = many(30, (i) => ({ isRisky: i >= 25, seconds: 2400 }));
    const batches = plan(problem({ parts, printers: [printer('Alder')] }));
    const alone = new Set(batches.filter((each) => each.isOvernight).flatMap((each) => each.parts));
    expect(parts.filter(({ id, isRisky }) => isRisky && alone.has(id))).toEqual([]);
    expect(alone.size).toBeGreaterThan(0);
  });

  it('keeps what somebody put at a time, and plans the rest around it', () => {
    const pinned = [{ id: 'mine', printer: 'Birch', fromMs: NOW + 2 * HOUR, parts: ['3', '4'] }];
    const batches = plan(problem({ parts: many(12), pinned }));
    const mine = batches.find((each) => each.pinned === 'mine')!;
    expect(mine).toMatchObject({ printer: 'Birch', fromMs: NOW + 2 * HOUR, parts: ['3', '4'] });
    expect(batches.flatMap((each) => each.parts)).toHaveLength(12);
    expectSound(problem({ parts: many(12), pinned }), batches);
  });

  it('changes no filament where a printer has all rolls that are needed', () => {
    const loaded = [
      { material: 'PLA', colour: 'leafGreen' },
      { material: 'PLA', colour: 'chalkWhite' },
    ];
    const parts = many(12, (i) => ({ kind: i % 2 === 0 ? 'green' : 'white' }));
    const changes = (printers: PlannedPrinter[]) =>
      plan(problem({ parts, printers })).filter(({ changesFilament }) => changesFilament).length;
    expect(changes([printer('Alder', { loaded })])).toBe(0);
    expect(changes([printer('Alder')])).toBeGreaterThan(0);
    // What is put on takes the place of one roll, and the other stays.
    const slate = [...problem({}).kinds, { id: 'slate', material: 'PLA', colour: 'slate', readyS: 180 }];
    const kinds = slate.map(({ id }) => id);
    const of = problem({
      parts: [...parts, ...many(1, () => ({ id: 'last', kind: 'slate' }))],
      kinds: slate,
      printers: [printer('Alder', { loaded, kinds })],
    });
    expect(plan(of).filter(({ changesFilament }) => changesFilament)).toHaveLength(1);
  });

  it('says which briefs will not be done in time', () => {
    const parts = many(400, (i) => ({ dueMs: NOW + DAY, brief: i < 10 ? 'small' : 'large', seconds: 3000 }));
    const of = problem({ parts });
    const [first] = outlookOf(of, plan(of, 20));
    expect(first.brief).toBe('large');
    expect(first.late).toBeGreaterThan(100);
  });
});

/** What holds for each plan, whatever was asked. */
function expectSound(of: WeekProblem, batches: readonly WeekBatch[]): void {
  const parts = new Map(of.parts.map((each) => [each.id, each]));
  const ids = batches.flatMap((each) => each.parts);
  expect(new Set(ids).size).toBe(ids.length);
  for (const { id, kinds, areaMm2, freeMs } of of.printers) {
    let free = Math.max(freeMs, of.nowMs);
    for (const batch of batches
      .filter((each) => each.printer === id)
      .toSorted((a, b) => a.fromMs - b.fromMs)) {
      expect(batch.fromMs).toBeGreaterThanOrEqual(free);
      free = batch.toMs;
      expect(of.attended.some(({ fromMs, toMs }) => fromMs <= batch.fromMs && batch.fromMs < toMs)).toBe(
        true,
      );
      if (batch.pinned !== undefined) continue;
      const slot = of.attended.find(({ fromMs, toMs }) => fromMs <= batch.fromMs && batch.fromMs < toMs)!;
      expect(batch.toMs).toBeLessThanOrEqual(slot.aloneUntilMs);
      expect(kinds.includes(batch.kind)).toBe(true);
      const own = batch.parts.map((each) => parts.get(each)!);
      expect(own.every((each) => each.kind === batch.kind)).toBe(true);
      expect(own.reduce((sum, each) => sum + each.areaMm2, 0)).toBeLessThanOrEqual(areaMm2);
    }
  }
}

const anyProblem = fc
  .record({
    parts: fc.array(
      fc.record({
        kind: fc.constantFrom('green', 'white', 'any'),
        brief: fc.constantFrom('Labels', 'Hooks'),
        seconds: fc.integer({ min: 60, max: 40_000 }),
        areaMm2: fc.integer({ min: 100, max: 45_000 }),
        dueMs: fc.option(fc.integer({ min: NOW, max: NOW + 6 * DAY }), { nil: undefined }),
        isRisky: fc.boolean(),
      }),
      { maxLength: 25 },
    ),
    busyH: fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })),
    days: fc.integer({ min: 1, max: 5 }),
    isAlone: fc.boolean(),
    only: fc.subarray(['green', 'white', 'any'], { minLength: 1 }),
  })
  .map(({ parts, busyH, days: count, isAlone, only }) =>
    problem({
      parts: parts.map((each, i) => part(`${i}`, each)),
      attended: days(count, isAlone),
      printers: [
        printer('Alder', { freeMs: NOW + busyH[0] * HOUR }),
        printer('Birch', { freeMs: NOW + busyH[1] * HOUR, kinds: only }),
      ],
    }),
  );

describe('whatever waits', () => {
  it('no plan does what cannot be done', () => {
    fc.assert(
      fc.property(anyProblem, (of) => expectSound(of, plan(of, 10))),
      { numRuns: 60 },
    );
  });

  it('the same problem has the same plan', () => {
    fc.assert(
      fc.property(anyProblem, (of) => {
        expect(plan(of, 10)).toEqual(plan(of, 10));
      }),
      { numRuns: 20 },
    );
  });
});

/** The lowest price of all ways to print parts one by one on two printers while somebody is always there. */
function exactPrice(of: WeekProblem): number {
  let best = Infinity;
  const lanes: number[][] = of.printers.map(() => []);
  const go = (left: readonly number[]) => {
    if (left.length === 0) {
      best = Math.min(
        best,
        priceOf(
          of,
          lanes.flatMap((lane, i) => oneByOne(of, of.printers[i], lane)),
        ),
      );
      return;
    }
    for (const index of left)
      for (const lane of lanes) {
        lane.push(index);
        go(left.filter((each) => each !== index));
        lane.pop();
      }
  };
  go(of.parts.map((_, i) => i));
  return best;
}

function oneByOne(of: WeekProblem, lane: PlannedPrinter, order: readonly number[]): WeekBatch[] {
  let [at, colour] = [lane.freeMs, lane.loaded[0].colour];
  return order.map((index) => {
    const { id, kind, seconds, grams } = of.parts[index];
    const wished = of.kinds.find((each) => each.id === kind)!;
    const changesFilament = wished.colour !== undefined && wished.colour !== colour;
    if (changesFilament) colour = wished.colour;
    const fromMs = at + (changesFilament ? 600_000 : 0);
    const toMs = fromMs + (seconds + wished.readyS) * 1000;
    at = toMs + 300_000;
    return {
      pinned: undefined,
      printer: lane.id,
      kind,
      fromMs,
      toMs,
      parts: [id],
      grams,
      isOvernight: false,
      changesFilament,
    };
  });
}

describe('held against all that could be done', () => {
  it('a plan of five parts that each fill a plate is within a twentieth of the best one', () => {
    const always = [{ fromMs: NOW, toMs: NOW + 5 * DAY, aloneUntilMs: NOW + 5 * DAY }];
    const five = fc.array(
      fc.record({
        kind: fc.constantFrom('green', 'white'),
        seconds: fc.integer({ min: 600, max: 20_000 }),
        dueMs: fc.option(fc.integer({ min: NOW + HOUR, max: NOW + 12 * HOUR }), { nil: undefined }),
      }),
      { minLength: 5, maxLength: 5 },
    );
    fc.assert(
      fc.property(five, (parts) => {
        const of = problem({
          parts: parts.map((each, i) => part(`${i}`, { ...each, areaMm2: 40_000 })),
          attended: always,
        });
        expect(priceOf(of, plan(of, 400))).toBeLessThanOrEqual(exactPrice(of) * 1.05);
      }),
      { numRuns: 25 },
    );
  });
});
