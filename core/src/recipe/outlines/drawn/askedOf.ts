import { freedomOf, type Relation } from '../../../drawing/index.ts';
import { withRule, type Asked, type Ruled } from './drawingEdits.ts';
import type { PlainNode } from './node.ts';
import { plainDrawing } from './plainDrawing.ts';
import { axisRelations, figureOf, relationsOf, settledDrawing, type PlainDrawing } from './settledDrawing.ts';

/** What becomes of a drawing that is asked something. */
export type Answer =
  | { readonly ok: true; readonly drawing: Ruled }
  /** It holds already, because of other rules. */
  | { readonly ok: false; readonly why: 'follows'; readonly drawing: Ruled }
  /** It cannot hold together with other rules, named by their index; with none where it cannot hold at all. */
  | {
      readonly ok: false;
      readonly why: 'clashes';
      readonly drawing: Ruled;
      readonly others: readonly number[];
    };

/** Asks something of a drawing. `drawing` is it with the rule put last, also where the rule is not taken. */
export function askedOf(
  before: Ruled,
  asked: Asked,
  measures: ReadonlyMap<string, number>,
  isHalf: boolean,
): Answer {
  const drawing = withRule(before, asked, measures);
  const newest = drawing.rules!.length - 1;
  const plain = plainDrawing(drawing, measures, isHalf);
  const made = settledDrawing(plain);
  if (!made.ok) {
    const others = 'clash' in made ? made.clash.filter((k) => k !== newest) : [made.gone];
    return { ok: false, why: 'clashes', drawing, others };
  }
  const settled = { ...plain, nodes: made.nodes };
  const relations = relationsIn(settled);
  const { following } = freedomOf(figureOf(made.nodes), relations);
  return following.includes(relations.length - 1)
    ? { ok: false, why: 'follows', drawing }
    : { ok: true, drawing };
}

/**
 * All that holds in a drawing: by itself as a half, and by its rules.
 *
 * @param led A point that is led by hand; the axis of a half does not hold it.
 */
export function relationsIn(drawing: PlainDrawing, led?: number): Relation[] {
  const onAxis = axisRelations(drawing).filter((each) => !('point' in each) || each.point !== led);
  return [...onAxis, ...relationsOf(drawing).filter((relation) => relation !== undefined)];
}

/** Edges are level or upright when their ends differ by less than this, mm. */
const STRAIGHT_MM = 1e-3;

/**
 * A drawing whose straight edges stay level or upright where they were drawn so, as far as that says something new beside
 * its rules and can hold with them: whoever draws a box and then sets its width expects a box.
 *
 * @param drawn Its points where they were drawn.
 * @param edgeCount How many edges it has; the last point of a half leads nowhere.
 */
export function asDrawn(
  before: Ruled,
  drawn: readonly PlainNode[],
  edgeCount: number,
  measures: ReadonlyMap<string, number>,
  isHalf: boolean,
): Ruled {
  let asked = drawn.slice(0, edgeCount).flatMap((from, edge): Asked[] => {
    const after = (edge + 1) % drawn.length;
    const to = drawn[after];
    const isLevel = Math.abs(from.yMm - to.yMm) < STRAIGHT_MM;
    const isUpright = Math.abs(from.xMm - to.xMm) < STRAIGHT_MM;
    if (isLevel === isUpright || (from.bend ?? 0) !== 0) return [];
    return [{ kind: isLevel ? 'level' : 'upright', points: [edge, after] }];
  });
  const own = before.rules?.length ?? 0;
  for (;;) {
    const drawing = asked.reduce((so, each) => withRule(so, each, measures), before);
    const plain = plainDrawing(drawing, measures, isHalf);
    const made = settledDrawing(plain);
    if (made.ok) {
      const relations = relationsIn({ ...plain, nodes: made.nodes });
      const first = relations.length - asked.length;
      const { following } = freedomOf(figureOf(made.nodes), relations);
      const said = asked.filter((_, k) => !following.includes(first + k));
      return said.reduce((so, each) => withRule(so, each, measures), before);
    }
    // What cannot hold beside what was asked gives way.
    const newest = 'clash' in made ? made.clash.findLast((k) => k >= own) : undefined;
    if (newest === undefined) return before;
    asked = asked.toSpliced(newest - own, 1);
  }
}
