import { SvelteMap } from 'svelte/reactivity';
import { describe, expect, it } from 'vitest';
import { plainSentence, ruleTokens, type PointsOutline } from '@kelbrin/core/recipe';
import { asksFor, type Ask, type Marks } from './asks';
import { DrawingState } from './drawing.svelte';

function outlineOf(written: string, more: Partial<PointsOutline> = {}): PointsOutline {
  const nodes = written.split(' ').map((each) => {
    const [xMm, yMm, bend] = each.split(',').map(Number);
    return { xMm, yMm, ...(bend === undefined ? {} : { bend }) };
  });
  return { shape: 'points', nodes, closed: true, smooth: false, mirrored: false, ...more };
}

/** A drawing whose outline is kept here, as the recipe keeps it on the bench. */
function drawingOf(first: PointsOutline, measures: ReadonlyMap<string, number> = new Map()) {
  const kept = new SvelteMap([['outline', first]]);
  const outline = () => kept.get('outline')!;
  const drawing = new DrawingState({
    outline,
    measures: () => measures,
    isProfile: () => false,
    put: (changed) => kept.set('outline', changed),
  });
  const rules = () =>
    (outline().rules ?? []).map((rule) => plainSentence(ruleTokens(rule, outline().nodes, [])));
  return { drawing, outline, rules };
}

/** What is offered for marks, and asked by its label. */
function asks({ drawing }: { drawing: DrawingState }, marks: Partial<Marks>) {
  drawing.marks = { points: [], edges: [], ...marks };
  const offered = asksFor(drawing.marks, drawing);
  const find = (label: string): Ask => offered.find((ask) => ask.label === label)!;
  return {
    labels: offered.map(({ label }) => label),
    now: (label: string) => (find(label) as Extract<Ask, { how: 'number' }>).now,
    ask(label: string, value = 0) {
      const ask = find(label);
      drawing.ask(ask.how === 'tap' ? ask.asked : [ask.asked(value)]);
    },
  };
}

const box = '0,0 30,0 30,20 0,20';

describe('what can be asked', () => {
  it('is offered for what is marked, with what it measures now', () => {
    const on = drawingOf(outlineOf('0,0 30,0 36,8 0,20'));
    expect(asks(on, { edges: [0] }).labels).toEqual(['length', 'Level', 'Upright', 'slope']);
    expect(asks(on, { edges: [1] }).now('length')).toBeCloseTo(10, 9);
    expect(asks(on, { edges: [2] }).now('slope')).toBeCloseTo((Math.atan2(-12, 36) * 180) / Math.PI, 9);
    expect(asks(on, { edges: [0, 1] }).labels).toEqual(['Equal', 'Same way', 'Right angle', 'angle']);
    expect(asks(on, { edges: [0, 2] }).labels).toEqual(['Equal', 'Same way', 'Right angle']);
    expect(asks(on, { edges: [0, 1, 2] }).labels).toEqual(['Equal', 'Same way']);
    expect(asks(on, { points: [1] }).labels).toEqual(['Stays here', 'On the middle line', 'angle']);
    expect(asks(on, { points: [0] }).now('angle')).toBeCloseTo(90, 9);
    expect(asks(on, { points: [0, 1] }).now('across')).toBe(30);
    expect(asks(on, { points: [0, 1, 2] }).labels).toEqual(['angle']);
    expect(asks(on, { points: [2], edges: [0] }).now('beside it by')).toBeCloseTo(8, 9);
    expect(asks(on, { points: [1, 3], edges: [0] }).labels).toEqual(['Mirror images in the edge']);
    expect(asks(on, { points: [0, 1], edges: [0, 1] }).labels).toEqual([]);
  });

  it('is a radius for an arc, and touching for one with a neighbour', () => {
    const on = drawingOf(outlineOf('0,0 30,0,100 30,20 0,20'));
    expect(asks(on, { edges: [1] }).labels).toEqual(['radius', 'from end to end']);
    expect(asks(on, { edges: [1] }).now('radius')).toBeCloseTo(10, 9);
    expect(asks(on, { edges: [0, 1] }).labels).toEqual(['Equal', 'No corner between']);
  });
});

describe('asking', () => {
  it('moves the points, and keeps a box a box', () => {
    const on = drawingOf(outlineOf(box));
    asks(on, { edges: [0] }).ask('length', 44);
    const [xs, ys] = [
      on.outline().nodes.map(({ xMm }) => Number(xMm)),
      on.outline().nodes.map(({ yMm }) => yMm),
    ];
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(44, 3);
    expect(ys).toEqual([0, 0, 20, 20]);
    expect(on.drawing.freedom?.open).toBe(3);
  });

  it('asks a number again instead of twice', () => {
    const on = drawingOf(outlineOf(box));
    asks(on, { edges: [0] }).ask('length', 44);
    const before = on.rules().length;
    asks(on, { edges: [0] }).ask('length', 50);
    expect(on.rules()).toHaveLength(before);
    expect(on.rules()[0]).toBe('Edge 1–2 is 50 mm long');
    asks(on, { points: [1, 0] }).ask('apart', 51);
    expect(on.rules()[0]).toBe('Edge 1–2 is 51 mm long');
  });

  it('says why what cannot hold, or says nothing new, is not taken', () => {
    const on = drawingOf(outlineOf(box));
    asks(on, { edges: [0] }).ask('length', 44);
    asks(on, { edges: [2] }).ask('length', 44);
    expect(on.drawing.refused).toBe('“Edge 3–4 is 44 mm long” holds already, because of the other rules.');
    asks(on, { edges: [2] }).ask('length', 45);
    expect(on.drawing.refused).toContain('“Edge 3–4 is 45 mm long” cannot hold together with');
    asks(on, { edges: [1] }).ask('length', 0);
    expect(on.drawing.refused).toBe('“Edge 2–3 is 0 mm long” cannot be drawn.');
    expect(on.rules()).not.toContain('Edge 3–4 is 45 mm long');
    asks(on, { edges: [1] }).ask('length', 12);
    expect(on.drawing.refused).toBeUndefined();
  });

  it('keeps a number that is worked out, and shows what clashes once it is changed', () => {
    const on = drawingOf(outlineOf(box), new Map([['cane', 8]]));
    on.drawing.ask([
      { kind: 'apart', points: [0, 1], measured: 'straight', lengthMm: { formula: 'cane * 4' } },
      { kind: 'apart', points: [2, 3], measured: 'across', lengthMm: 32 },
    ]);
    expect(on.rules()[0]).toBe('Edge 1–2 is (cane × 4) mm long');
    const across = on.rules().length;
    on.drawing.ask([{ kind: 'slant', edge: 1, degrees: 90 }]);
    expect(on.rules()).toHaveLength(across);
    on.drawing.setRule(0, 'lengthMm', 0);
    expect(on.drawing.clashing).toContain(0);
    expect(on.outline().rules![0]).toMatchObject({ lengthMm: 0 });
  });

  it('says of a point that stays each coordinate by itself', () => {
    const on = drawingOf(outlineOf(box));
    on.drawing.ask([{ kind: 'held', point: 1, xMm: 31 }]);
    on.drawing.ask([{ kind: 'held', point: 1, yMm: 2 }]);
    expect(on.rules()[0]).toBe('Point 2 stays 31 mm to the right and 2 mm up');
  });
});

describe('drawing', () => {
  it('begins from nothing where nobody has drawn yet, and goes back to that where nothing was drawn', () => {
    const first = outlineOf('-10,-6.666666666666667 10,-6.666666666666667 0,10');
    const on = drawingOf(first);
    expect(on.outline()).toMatchObject({ nodes: [], closed: false });
    on.drawing.add([0, 0]);
    on.drawing.add([5, 0]);
    on.drawing.finish();
    expect(on.outline()).toEqual(first);
  });

  it('closes what is open where drawing ends', () => {
    const on = drawingOf(outlineOf(box, { closed: false }));
    expect(on.drawing.isUnfinished).toBe(true);
    on.drawing.finish();
    expect(on.outline().closed).toBe(true);
  });

  it('marks and takes the mark away, and walks through points and edges', () => {
    const { drawing } = drawingOf(outlineOf(box));
    drawing.mark('edges', 2);
    drawing.mark('edges', 0);
    expect(drawing.marks.edges).toEqual([2, 0]);
    drawing.mark('edges', 2);
    expect(drawing.marks.edges).toEqual([0]);
    drawing.markNext('edges', true);
    expect(drawing.marks.edges).toEqual([0, 1]);
    drawing.markNext('points', false);
    expect(drawing.marks).toEqual({ points: [0], edges: [] });
  });

  it('puts one more point into the last edge of what is closed, and beside the last of what is not', () => {
    const closed = drawingOf(outlineOf(box));
    closed.drawing.addAfterLast();
    expect(closed.outline().nodes.at(-1)).toEqual({ xMm: 0, yMm: 10 });
    const open = drawingOf(outlineOf('0,0 30,0', { closed: false }));
    open.drawing.addAfterLast();
    expect(open.outline().nodes.at(-1)).toEqual({ xMm: 35, yMm: 0 });
  });

  it('leads a point without rules, but not a coordinate that is worked out', () => {
    const outline = outlineOf(box);
    const nodes = outline.nodes.with(1, { xMm: { formula: 'cane' }, yMm: 0 });
    const on = drawingOf({ ...outline, nodes }, new Map([['cane', 30]]));
    on.drawing.drag(1, [40, 3]);
    expect(on.outline().nodes[1]).toEqual({ xMm: { formula: 'cane' }, yMm: 3 });
  });

  it('follows a led point of forty by its rules', () => {
    const points = Array.from({ length: 40 }, (_, i) => {
      const turn = (Math.PI * i) / 20;
      return `${(30 * Math.cos(turn)).toFixed(3)},${(30 * Math.sin(turn)).toFixed(3)}`;
    });
    const on = drawingOf(outlineOf(points.join(' ')));
    on.drawing.ask(
      Array.from({ length: 36 }, (_, i) => ({
        kind: 'apart' as const,
        points: [i, i + 1] as [number, number],
        measured: 'straight' as const,
        lengthMm: 5,
      })),
    );
    on.drawing.drag(20, [-40, 4]);
    expect(on.drawing.at[20][0]).toBeCloseTo(-40, 1);
    on.drawing.at.slice(0, 36).forEach(([x, y], i) => {
      const [nextX, nextY] = on.drawing.at[i + 1];
      expect(Math.hypot(nextX - x, nextY - y)).toBeCloseTo(5, 3);
    });
  });
});
