import {
  formatNumber,
  isFormula,
  sentenceOf,
  setField,
  valuesOf,
  withUnit,
  evaluateAmount,
  type Amount,
  type Token,
} from '../../recipe/index.ts';
import type { Proposal, RemedyKind, Trouble } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

type NumberToken = Extract<Token, { type: 'number' }>;

/** A little more than needed, so that what is mended does not only just pass. */
const MARGIN = 1.06;
/** Lengths to try where a figure says nothing of how far to go, as for a piece that lies apart, mm. */
const STEPS_MM = [0.5, 1, 2, 4, 8];

/**
 * Puts another number into a sentence that causes the finding: a larger hole, a thicker wall, a wider pin, taller
 * letters, a place further from the edge, more overlap. The smallest change of any of its numbers that works is offered.
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
  most: 2,
  *proposals(trouble): Generator<Proposal, void, boolean> {
    const all = [...changes(trouble)].sort((a, b) => a.change - b.change);
    const done = new Set<string>();
    for (const { words, recipe, field } of all) {
      // Of one number, the smallest change is enough.
      if (!done.has(field) && (yield { words, recipe })) done.add(field);
    }
  },
};

/** Every change of a number, with how large it is as a share of the number. */
function* changes(trouble: Trouble): Generator<Proposal & { change: number; field: string }> {
  const { recipe, finding } = trouble;
  const values = valuesOf(recipe.measures);
  for (const [index, step] of recipe.steps.entries()) {
    if (!finding.steps.includes(step.id)) continue;
    const numbers = sentenceOf(step, { recipe, index }).filter((token) => token.type === 'number');
    for (const token of numbers) {
      const worth = evaluateAmount(token.value, values.ok ? values.values : new Map());
      if (!worth.ok) continue;
      for (const value of candidates(token, worth.value, trouble)) {
        if (value < token.min || value > token.max || value === worth.value) continue;
        const edited = setField(recipe, step.id, token.path, amountOf(token.value, worth.value, value));
        if (!edited.ok) continue;
        const words = say('{step}, make the {label} {value}', {
          step: numbered(recipe, step.id),
          label: token.label,
          value: withUnit(value, token.unit),
        });
        const change = Math.abs(value - worth.value) / Math.max(1, Math.abs(worth.value));
        yield { words, recipe: edited.recipe, change, field: `${step.id} ${token.path.join(' ')}` };
      }
    }
  }
}

/** Values to try for a number, in the direction and by the amount that the finding asks for, or the other way. */
function candidates({ unit }: NumberToken, value: number, { check, finding, limits }: Trouble): number[] {
  const { measured, unit: measuredIn } = finding;
  const isOwn = measuredIn === check.unit && finding.limit === undefined;
  const limit = finding.limit ?? (isOwn ? check.limit : limits.minWallMm);
  const aim = check.rule === 'atLeast' || !isOwn ? limit * MARGIN : limit / MARGIN;
  if (measuredIn === '°')
    return unit === '°' ? [aim, value + aim - measured, value - aim + measured].map(down) : [];
  if (unit !== 'mm') return [];
  const isApart =
    (check.id === 'bodies' && measuredIn === 'mm²') || (check.id === 'brief' && measuredIn === '');
  if (isApart) return STEPS_MM.flatMap((mm) => [value + mm, value - mm].map(tenth));
  if (check.id === 'island') return [value - measured, value + measured].map(tenth);
  if (measuredIn === 'mm') {
    const need = Math.abs(aim - measured);
    return [need, 2 * need].flatMap((by) => [upTo(value, by), upTo(value, -by)]);
  }
  const factor = measured > 0 ? Math.max(aim / measured, measured / aim) : 2;
  return [Math.sqrt(factor), factor].flatMap((by) => [
    upTo(value, value * by - value),
    upTo(value, value / by - value),
  ]);
}

/** A value changed by at least so much, to a tenth. */
function upTo(value: number, by: number): number {
  return by > 0 ? Math.ceil(10 * (value + by) - 1e-6) / 10 : Math.floor(10 * (value + by) + 1e-6) / 10;
}

const tenth = (value: number) => Math.round(10 * value) / 10;
const down = (deg: number) => Math.floor(deg);

/** A number in place of a number; a formula keeps what it says, with the difference added. */
function amountOf(amount: Amount, was: number, value: number): Amount {
  if (!isFormula(amount)) return value;
  const by = Math.round(100 * (value - was)) / 100;
  return { formula: `${amount.formula} ${by < 0 ? '-' : '+'} ${formatNumber(Math.abs(by))}` };
}
