import { dragged, freedomOf, type Freedom, type Relation } from '@kelbrin/core/drawing';
import {
  asDrawn,
  askedOf,
  figureOf,
  isFormula,
  isUndrawn,
  isUnfinished,
  plainDrawing,
  plainSentence,
  relationsIn,
  ruleTokens,
  settledDrawing,
  withNodeAfter,
  withoutNode,
  withoutRule,
  withPlaces,
  withRule,
  type Amount,
  type Asked,
  type Node,
  type PlainNode,
  type Point,
  type PointsOutline,
  type Rule,
  type Ruled,
} from '@kelbrin/core/recipe';
import { sayList } from '@kelbrin/core/words';
import { drawingTexts as say } from '../../texts/drawing';
import type { Marks } from './asks';
import { sameRule } from './sameRule';

/** Where a drawing comes from and goes to. */
export interface DrawingSource {
  outline(): PointsOutline;
  measures(): ReadonlyMap<string, number>;
  /** A half profile, x its distance from an axis. */
  isProfile(): boolean;
  put(outline: PointsOutline, gesture?: number): void;
}

const NOTHING: Marks = { points: [], edges: [] };
/** A place is kept to a thousandth: rules bring it to where it is exactly. */
const DECIMALS = 3;

/** An outline that is being drawn: its points as its rules place them, what is marked of it, and its edits. */
export class DrawingState {
  marks = $state.raw(NOTHING);
  /** Why what was asked last was not taken. */
  refused = $state<string>();
  isDragging = $state(false);
  readonly #source: DrawingSource;
  /** The outline as it was before, for who stops without having drawn one. */
  readonly #before: PointsOutline;
  #lastFreedom: Freedom | undefined;

  constructor(source: DrawingSource) {
    this.#source = source;
    this.#before = source.outline();
    if (isUndrawn(this.#before)) this.beginAgain();
  }

  readonly outline = $derived.by(() => this.#source.outline());
  /** Whether it is one half, beside an axis that its ends stay on. */
  readonly isHalf = $derived.by(() => this.outline.mirrored || this.#source.isProfile());
  readonly isUnfinished = $derived(isUnfinished(this.outline));
  readonly rules: readonly Rule[] = $derived(this.outline.rules ?? []);
  readonly #plain = $derived.by(() => plainDrawing(this.outline, this.#source.measures(), this.isHalf));
  readonly #made = $derived(settledDrawing(this.#plain));
  /** The points where the rules place them; where they were drawn while the rules cannot hold. */
  readonly nodes: readonly PlainNode[] = $derived(this.#made.ok ? this.#made.nodes : this.#plain.nodes);
  readonly at = $derived(figureOf(this.nodes).points);
  readonly bends = $derived(figureOf(this.nodes).bends);
  readonly edgeCount = $derived(
    this.outline.closed && !this.outline.mirrored ? this.at.length : Math.max(0, this.at.length - 1),
  );
  /** The rules that cannot hold, by their index. */
  readonly clashing: readonly number[] = $derived.by(() => {
    if (this.#made.ok) return [];
    return 'clash' in this.#made ? this.#made.clash : [this.#made.gone];
  });
  /** What the rules leave open; while a point is dragged it is what it was before, so that the drawing follows at once. */
  readonly freedom: Freedom | undefined = $derived.by(() => {
    if (this.rules.length === 0 || !this.#made.ok) return undefined;
    if (this.isDragging) return this.#lastFreedom;
    return (this.#lastFreedom = freedomOf(figureOf(this.nodes), this.#relations()));
  });

  /** What holds in the drawing; the axis does not hold a point that is led away from it. */
  #relations(except?: number): Relation[] {
    return relationsIn({ ...this.#plain, nodes: this.nodes }, except);
  }

  /** Marks a point or an edge, or takes the mark away. */
  mark(what: 'points' | 'edges', index: number): void {
    this.refused = undefined;
    const kept = this.marks[what].filter((each) => each !== index);
    const isMarked = kept.length < this.marks[what].length;
    this.marks = { ...this.marks, [what]: isMarked ? kept : [...kept, index] };
  }

  /** Marks the next point or edge after the one that was marked last, in its place or beside it. */
  markNext(what: 'points' | 'edges', isBeside: boolean): void {
    const count = what === 'points' ? this.at.length : this.edgeCount;
    if (count === 0) return;
    this.refused = undefined;
    const next = ((this.marks[what].at(-1) ?? -1) + 1) % count;
    const kept = this.marks[what].filter((each) => each !== next);
    this.marks = isBeside ? { ...this.marks, [what]: [...kept, next] } : { ...NOTHING, [what]: [next] };
  }

  markOnly(point: number): void {
    this.marks = { points: [point], edges: [] };
  }

  clearMarks(): void {
    this.marks = NOTHING;
    this.refused = undefined;
  }

  beginAgain(): void {
    this.clearMarks();
    const { rules: _rules, ...outline } = this.#source.outline();
    this.#source.put({ ...outline, nodes: [], closed: false, smooth: false });
  }

  /** Puts the next point. */
  add([xMm, yMm]: Point): void {
    this.#put({ ...this.outline, nodes: [...this.outline.nodes, { xMm, yMm }] });
  }

  /** One more point: beside the last while lines are drawn, and in the middle of the last edge of what is closed. */
  addAfterLast(): void {
    const [x, y] = this.at.at(-1) ?? [-5, 0];
    const [firstX, firstY] = this.at[0] ?? [0, 0];
    if (this.edgeCount < this.at.length || this.at.length === 0) this.add([x + 5, y]);
    else this.insertAfter(this.at.length - 1, [(x + firstX) / 2, (y + firstY) / 2]);
  }

  close(): void {
    this.#source.put({ ...this.outline, closed: true });
  }

  /** Ends drawing: what is open is closed, and where there is too little to close all is as it was before. */
  finish(): void {
    if (!this.isUnfinished) return;
    const { nodes } = this.outline;
    this.#source.put(nodes.length < 3 ? this.#before : { ...this.outline, closed: true });
  }

  change(change: Partial<PointsOutline>): void {
    this.#source.put({ ...this.outline, ...change });
  }

  /** A stroke of a free hand in the place of what was drawn. */
  putStroke(points: readonly Point[]): void {
    const { rules: _rules, ...outline } = this.outline;
    const nodes = points.map(([xMm, yMm]) => ({ xMm, yMm }));
    this.#source.put({ ...outline, nodes, smooth: true, closed: true });
  }

  /** Nodes as they were typed or set; a coordinate that is typed becomes what the rules make of it. */
  setNodes(nodes: readonly Node[], gesture?: number): void {
    this.#put({ ...this.outline, nodes }, gesture);
  }

  /** A point is led to a place; worked-out coordinates stay as they are, and the rest follows by its rules. */
  drag(index: number, to: Point, gesture?: number): void {
    const { nodes } = this.outline;
    if (this.rules.length > 0 && this.#made.ok) {
      const figure = dragged(figureOf(this.nodes), this.#relations(index), index, to);
      return this.#source.put(
        { ...this.outline, nodes: placed(nodes, withPlaces(this.nodes, figure)) },
        gesture,
      );
    }
    const { xMm, yMm } = nodes[index];
    const moved = { ...nodes[index], xMm: isFormula(xMm) ? xMm : to[0], yMm: isFormula(yMm) ? yMm : to[1] };
    this.#source.put({ ...this.outline, nodes: nodes.with(index, moved) }, gesture);
  }

  /** Bends the edge that leaves a point, in per cent; 0 makes it straight. */
  bend(index: number, percent: number, gesture?: number): void {
    const { bend: _bend, ...straight } = this.outline.nodes[index];
    const node = percent === 0 ? straight : { ...straight, bend: percent };
    this.#put({ ...this.outline, nodes: this.outline.nodes.with(index, node) }, gesture);
  }

  insertAfter(index: number, [xMm, yMm]: Point): void {
    this.clearMarks();
    this.#put(withNodeAfter(this.outline, index, { xMm, yMm }));
  }

  remove(index: number): void {
    this.clearMarks();
    this.#put(withoutNode(this.outline, index));
  }

  removeRule(index: number): void {
    this.refused = undefined;
    this.#put(withoutRule(this.outline, index));
  }

  /** Sets a number of a rule. */
  setRule(index: number, field: string, value: Amount, gesture?: number): void {
    this.refused = undefined;
    const rules = this.rules.with(index, { ...this.rules[index], [field]: value } as Rule);
    this.#put({ ...this.outline, rules }, gesture);
  }

  /**
   * Asks something of the drawing. What is asked already gets its new number; what cannot hold, or says nothing new, is not
   * taken, and it is said why.
   */
  ask(all: readonly Asked[], gesture?: number): void {
    this.refused = undefined;
    for (const asked of all) this.#askOne(asked, gesture);
  }

  #askOne(asked: Asked, gesture?: number): void {
    const more = withRule(this.outline, asked, this.#source.measures());
    const rules = more.rules!;
    const rule = rules.at(-1)!;
    const same = this.rules.findIndex((each) => sameRule(each, rule));
    if (same >= 0) {
      // Of a point that stays, each coordinate is asked by itself.
      const changed = { ...this.rules[same], ...rule } as Rule;
      return this.#put({ ...this.outline, rules: this.rules.with(same, changed) }, gesture);
    }
    const answer = askedOf(this.outline, asked, this.#source.measures(), this.isHalf);
    if (answer.ok) {
      const isFirst = this.rules.length === 0;
      return this.#put(isFirst ? this.#asDrawn(answer.drawing) : answer.drawing, gesture);
    }
    const words = wordsOf(rule, more);
    if (answer.why === 'follows') this.refused = say.follows(words);
    else if (answer.others.length === 0) this.refused = say.cannot(words);
    else this.refused = say.clashes(words, sayList(answer.others.map((k) => `“${wordsOf(rules[k], more)}”`)));
  }

  /** With the first rule, what was drawn level or upright stays so. */
  #asDrawn(drawing: Ruled): Ruled {
    return asDrawn(drawing, this.nodes, this.edgeCount, this.#source.measures(), this.isHalf);
  }

  /** Keeps a drawing with its points where its rules place them. */
  #put({ nodes, rules }: Ruled, gesture?: number): void {
    const { rules: _rules, ...outline } = this.outline;
    const ruled: PointsOutline = { ...outline, nodes: [...nodes], ...(rules ? { rules: [...rules] } : {}) };
    const made = settledDrawing(plainDrawing(ruled, this.#source.measures(), this.isHalf));
    const settled = rules && made.ok ? { ...ruled, nodes: placed(nodes, made.nodes) } : ruled;
    this.#source.put(settled, gesture);
  }
}

function wordsOf(rule: Rule, { nodes }: Ruled): string {
  return plainSentence(ruleTokens(rule, nodes, []));
}

/** Nodes at their places; what is worked out from measures stays as it is written. */
function placed(nodes: readonly Node[], places: readonly PlainNode[]): Node[] {
  const neat = (mm: number) => Number(mm.toFixed(DECIMALS));
  return nodes.map((node, i) => {
    const { xMm, yMm, bend } = places[i];
    return {
      ...node,
      xMm: isFormula(node.xMm) ? node.xMm : neat(xMm),
      yMm: isFormula(node.yMm) ? node.yMm : neat(yMm),
      ...(bend === undefined || isFormula(node.bend) ? {} : { bend: neat(bend) }),
    };
  });
}
