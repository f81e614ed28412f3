import { boundsOf, sizeOf } from '../../mesh/index.ts';
import {
  formatNumber,
  isFormula,
  sentenceOf,
  setFields,
  valuesOf,
  withUnit,
  evaluateAmount,
  type Amount,
  type Recipe,
  type Step,
  type Token,
} from '../../recipe/index.ts';
import type { CheckId } from '../../inspect/index.ts';
import { failingFindings, type Failing } from '../failingFindings.ts';
import type { Proposal, Remedy, RemedyKind, Trouble } from '../remedy.ts';
import { aimsFor, isPlaceOf } from './aims.ts';
import { missingMm } from './missing.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

type NumberToken = Extract<Token, { type: 'number' }>;

/** So many changes are tried at most, the smallest first. */
const MOST = 28;
/** What a change by all of a number's own size costs, and one by all of the part's size for a place. */
const PER_SIZE = 0.6;
const PER_PLACE = 1;
/** A second number in one sentence. */
const SECOND = 0.15;
/** A number of what the place stands on. */
const OF_HOST = 0.1;
/** A number that something else asks for, which may mend this as well. */
const OF_OTHER = 0.3;
/** Something goes into a hole: it costs more to change how wide it is, unless that is what is wrong. */
const OF_HOLE = 0.6;
/** A number cannot cost more than this for being changed, however much. */
const MOST_CHANGE = 3;
/** An angle is changed by all of it where it is changed by half a right one. */
const WHOLE_DEG = 45;

/** What goes wrong where something is too large for what it stands on. */
const OF_HOSTS: readonly CheckId[] = ['overhang', 'relief', 'bodies', 'island'];

/** A number of a sentence, with what it is worth. */
interface Worth {
  readonly token: NumberToken;
  readonly value: number;
}

/** A change of one number of a sentence, or of two that belong together. */
interface Change extends Proposal {
  readonly field: string;
  /** Whether it is made for the finding itself, and not for what else fails. */
  readonly isOwn: boolean;
}

/**
 * Puts another number into a sentence that causes the finding: a larger hole, a thicker wall, a wider pin, taller
 * letters, a place further from the edge, more overlap. The smallest change of any of its numbers that works is offered;
 * where more fails because of the same step, a larger one that mends that as well.
 */
export const otherNumber: RemedyKind = {
  id: 'otherNumber',
  checks: [
    'size',
    'base',
    'hole',
    'overhang',
    'bridge',
    'island',
    'wall',
    'gap',
    'bodies',
    'stability',
    'relief',
    'brief',
  ],
  most: 3,
  *proposals(trouble): Generator<Proposal, void, Remedy | undefined> {
    const all = [...changes(trouble)].sort((a, b) => a.cost - b.cost);
    let tried = 0;
    // Of one number, the smallest change is enough; a larger one only if it mends what else fails.
    const done = new Map<string, Remedy>();
    for (const { field, isOwn, ...proposal } of all) {
      const before = done.get(field);
      if (before && (isOwn || before.failsLeft === 0)) continue;
      if (tried++ === MOST) return;
      const remedy = yield before ? { ...proposal, cost: proposal.cost - OF_OTHER } : proposal;
      if (remedy) done.set(field, remedy);
    }
  },
};

/** Every change of a number, with what it costs. */
function* changes(trouble: Trouble): Generator<Change> {
  const { recipe, finding, now } = trouble;
  const values = valuesOf(recipe.measures);
  const partMm = Math.max(...sizeOf(boundsOf(now.mesh)));
  const others = failingFindings(now.inspection).filter((each) => each.finding !== finding);
  for (const [index, step] of recipe.steps.entries()) {
    const isNamed = (failing: Failing) => isCause(failing, step, recipe) || carries(failing, step, recipe);
    if (!isNamed(trouble)) continue;
    const numbers = sentenceOf(step, { recipe, index }).flatMap((token): Worth[] => {
      if (token.type !== 'number') return [];
      const worth = evaluateAmount(token.value, values.ok ? values.values : new Map());
      return worth.ok ? [{ token, value: worth.value }] : [];
    });
    for (const failing of [trouble, ...others.filter(isNamed)]) {
      const isOwn = failing === trouble;
      const isOfHost = !isCause(failing, step, recipe);
      const missing = missingMm(failing, step, recipe, now);
      const more = (isOwn ? 0 : OF_OTHER) + (isOfHost ? OF_HOST : 0);
      const aims = (of: Worth) =>
        aimsFor(of.token, of.value, failing, trouble.limits, { missingMm: missing, isOfHost });
      for (const worth of numbers) {
        for (const value of aims(worth))
          yield* changed(trouble, step, [[worth, value]], { partMm, isOwn, more });
      }
      for (const [one, other] of pairs(step, numbers)) {
        for (const value of aims(one)) {
          const by = value - one.value;
          const both = [[one, value] as const, [other, hundredth(other.value + by)] as const];
          yield* changed(trouble, step, both, { partMm, isOwn, more });
        }
      }
    }
  }
}

/** Whether a finding is about a step: its surface is at the place, or it repeats what is. */
function isCause({ finding: { steps } }: Failing, step: Step, recipe: Recipe): boolean {
  return steps.length === 0 || steps.some((id) => id === step.id || repeats(step, id, recipe));
}

/** Whether what a finding is about hangs, or is cut off, since it stands on this step. */
function carries({ check, finding: { steps } }: Failing, step: Step, recipe: Recipe): boolean {
  if (!OF_HOSTS.includes(check.id as CheckId)) return false;
  return recipe.steps.some((each) => {
    if (!steps.includes(each.id) || !('placement' in each)) return false;
    return 'step' in each.placement.on && each.placement.on.step === step.id;
  });
}

/** Whether a step repeats another, whose copies are told by its name. */
function repeats(step: Step, id: string, { steps }: Recipe): boolean {
  if (step.kind !== 'repeat') return false;
  if (Array.isArray(step.of)) return step.of.some((of) => of.step === id);
  const { since } = step.of;
  const at = (wanted: string) => steps.findIndex((each) => each.id === wanted);
  return at(since.step) <= at(id) && at(id) < at(step.id);
}

/** Numbers of one outline that are changed together: how wide and how deep it is. */
function pairs(step: Step, numbers: readonly Worth[]): [Worth, Worth][] {
  if (step.kind !== 'extrude' || step.outline.shape !== 'roundedRectangle') return [];
  const of = (name: string) => numbers.find(({ token }) => token.path.join() === `outline,${name}`);
  const [width, depth] = [of('widthMm'), of('depthMm')];
  return width && depth ? [[width, depth]] : [];
}

/** The change of some numbers of a step, if they can be changed so. */
function* changed(
  { recipe, check, finding }: Trouble,
  step: Step,
  parts: readonly (readonly [Worth, number])[],
  { partMm, isOwn, more }: { partMm: number; isOwn: boolean; more: number },
): Generator<Change> {
  const isPossible = parts.every(
    ([{ token, value: was }, value]) => value >= token.min && value <= token.max && value !== was,
  );
  if (!isPossible) return;
  const edited = setFields(
    recipe,
    step.id,
    parts.map(([{ token, value: was }, value]) => ({
      path: token.path,
      value: amountOf(token.value, was, value),
    })),
  );
  if (!edited.ok) return;
  const all = parts.map(([{ token }, value]) => ({
    label: token.label,
    value: withUnit(value, token.unit),
  }));
  const at = numbered(recipe, step.id);
  const [{ label, value }, second] = all;
  yield {
    words: second
      ? say('{step}, make the {label} {value} and the {other} {otherValue}', {
          step: at,
          label,
          value,
          other: second.label,
          otherValue: second.value,
        })
      : say('{step}, make the {label} {value}', { step: at, label, value }),
    recipe: edited.recipe,
    cost:
      1 +
      Math.max(...parts.map(([of, to]) => changeOf(of, to, partMm))) +
      SECOND * (parts.length - 1) +
      more +
      (isWidthOfHole(step, parts[0][0]) && finding.hole === undefined && check.id !== 'brief' ? OF_HOLE : 0),
    field: `${step.id} ${parts.map(([{ token }]) => token.path.join(' ')).join()}`,
    isOwn,
  };
}

/** Whether a number says how wide a hole is. */
function isWidthOfHole(step: Step, { token: { path } }: Worth): boolean {
  return (step.kind === 'hole' && path[0] === 'size') || path[0] === 'holeMm';
}

/** What it costs to change a number: by its own size where it is a size, by the part's where it is a place. */
function changeOf({ token, value: was }: Worth, value: number, partMm: number): number {
  const by = Math.abs(value - was);
  if (token.unit === '°') return PER_SIZE * Math.min(1, by / WHOLE_DEG);
  const change = isPlaceOf(token) ? (PER_PLACE * by) / partMm : (PER_SIZE * by) / Math.max(1, Math.abs(was));
  return Math.min(MOST_CHANGE, change);
}

/** A number in place of a number; a formula keeps what it says, with the difference added. */
function amountOf(amount: Amount, was: number, value: number): Amount {
  if (!isFormula(amount)) return value;
  const by = hundredth(value - was);
  return { formula: `${amount.formula} ${by < 0 ? '-' : '+'} ${formatNumber(Math.abs(by))}` };
}

const hundredth = (mm: number) => Math.round(100 * mm) / 100;
