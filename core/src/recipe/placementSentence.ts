import type { Amount } from './amount.ts';
import { edgeWords, type Along, type Axis, type Placement, type Target } from './placement.ts';
import {
  choice,
  millimetres,
  missingStepWords,
  share,
  stepWords,
  text,
  type Addition,
  type Option,
  type SentenceContext,
  type Token,
} from './sentence.ts';
import { isNegative, isSame, optionsFor, type Extent } from './placementOptions.ts';
import { aside, asideIf, inShort } from './shortSentence.ts';
import { aroundAddition, aroundTokens } from './aroundSentence.ts';
import type { FieldPath } from './sentence.ts';
import { say } from '../words/index.ts';

/** The step or plate that something is placed on; every earlier step can be chosen. */
export function targetToken(path: FieldPath, on: Target, { recipe, index }: SentenceContext): Token {
  const options: Option[] = [{ label: say('the plate'), value: { plate: true } }];
  for (let i = 0; i < index; i++) {
    options.push({ label: stepWords(recipe.steps, i), value: { step: recipe.steps[i].id } });
  }
  const missing = 'step' in on && !recipe.steps.slice(0, index).some((step) => step.id === on.step);
  if (missing) options.push({ label: missingStepWords(recipe.steps, on.step), value: on });
  return choice(path, 'placed on', options, ({ value }) => JSON.stringify(value) === JSON.stringify(on));
}

/**
 * "6 mm in from the left and centred front to back on step 1": the two axes along which a thing is spread.
 * `path` leads to the placement.
 */
export function placementTokens(
  placed: Placement,
  context: SentenceContext,
  spread: readonly [Axis, Axis],
  extent: Extent = 'body',
  path: FieldPath = ['placement'],
): Token[] {
  const on = targetToken([...path, 'on'], placed.on, context);
  const around = aroundTokens(placed, path);
  // On the plate, where most things begin, the middle is said once; the clause "move it" says more.
  if (isInMiddle(placed, spread)) return [...aside(text('in the middle of'), on), ...around];
  const [first, second] = spread.map((axis) =>
    alongTokens(axis, placed[axis], placed.on, [...path, axis], extent),
  );
  const [isFirst, isSecond] = spread.map((axis) => isCentred(placed[axis]));
  return [
    ...asideIf(isFirst, ...first),
    ...asideIf(isFirst || isSecond, text('and')),
    ...asideIf(isSecond, ...second),
    ...asideIf(isFirst && isSecond, text('on')),
    ...(isFirst && isSecond ? [inShort(say('in the middle of'))] : []),
    on,
    ...around,
  ];
}

/** Whether a thing lies in the middle along an axis, and by no distance from it. */
export const isCentred = (rule: Along) => rule.relation === 'centred' && rule.mm === undefined;

/** The offers to move what stands in the middle of the plate, and to carry a thing around. */
export function placementAdditions(placed: Placement, spread: readonly [Axis, Axis]): Addition[] {
  const moves = isInMiddle(placed, spread) ? spread : [];
  return [
    ...moves.map((axis): Addition => ({
      label: say('move it {both}', { both: edgeWords[axis].both }),
      path: ['placement', axis],
      value: { relation: 'at', own: 'middle', mm: 10 },
    })),
    ...aroundAddition(placed),
  ];
}

function isInMiddle(placed: Placement, spread: readonly [Axis, Axis]): boolean {
  return 'plate' in placed.on && !spread.includes('z') && spread.every((axis) => isCentred(placed[axis]));
}

/** Where a thing lies along one axis: "6 mm in from the left". */
export function alongTokens(
  axis: Axis,
  rule: Along,
  on: Target | { readonly piece: string },
  path: FieldPath,
  extent: Extent = 'body',
): Token[] {
  const mm = distanceOf(rule);
  const words = edgeWords[axis];
  const offered = optionsFor(axis, mm, 'plate' in on, extent);
  // A rule that is not offered here, since what it was made for has changed, still has words.
  const isOffered = offered.some(({ value }) => isSame(value as Along, rule));
  const options = isOffered ? offered : [...offered, { label: unofferedWords(axis, rule), value: rule }];
  const relation = choice(path, say('position {both}', { both: words.both }), options, ({ value }) =>
    isSame(value as Along, rule),
  );
  const any = { min: -1000 };
  switch (rule.relation) {
    case 'centred':
      return rule.mm === undefined
        ? [relation]
        : [
            millimetres(
              [...path, 'mm'],
              rule.mm,
              say('distance from the middle, {both}', { both: words.both }),
              turnable(axis, rule.mm),
            ),
            relation,
          ];
    case 'inFrom':
      // Flush with an edge is said without a number.
      return rule.mm === 0 && axis === 'z'
        ? [relation]
        : [
            millimetres(
              [...path, 'mm'],
              rule.mm,
              say('distance from the {words}', { words: words[rule.edge] }),
              any,
            ),
            relation,
          ];
    case 'beside':
      return rule.overlapMm === 0
        ? [relation]
        : [
            relation,
            millimetres(
              [...path, 'overlapMm'],
              rule.overlapMm,
              say('overlap at the {words}', { words: words[rule.edge] }),
              any,
            ),
          ];
    case 'share':
      return [
        share([...path, 'percent'], rule.percent, say('share of the way, {both}', { both: words.both })),
        relation,
      ];
    case 'at':
      return rule.mm === 0 && axis === 'z'
        ? [relation]
        : [
            millimetres(
              [...path, 'mm'],
              rule.mm,
              axis === 'z' ? 'height above the plate' : say('distance, {both}', { both: words.both }),
              turnable(axis, rule.mm),
            ),
            relation,
          ];
  }
}

/** Beside a middle, words say which way it is, and the number only how far. */
function turnable(axis: Axis, mm: Amount): { min: number; isTurned?: boolean } {
  return { min: -1000, ...(axis !== 'z' && isNegative(mm) && { isTurned: true }) };
}

function unofferedWords(axis: Axis, rule: Along): string {
  const words = edgeWords[axis];
  if (rule.relation === 'share')
    return say('of the way {low} to {high}', { low: words.low, high: words.high });
  if (rule.relation === 'inFrom' || rule.relation === 'beside')
    return say('from the {words}', { words: words[rule.edge] });
  return axis === 'z'
    ? say('above the plate')
    : say('{beyond} the middle of the plate', {
        beyond: isNegative(distanceOf(rule)) ? words.short : words.beyond,
      });
}

function distanceOf(rule: Along): Amount {
  switch (rule.relation) {
    case 'centred':
      return rule.mm ?? 0;
    case 'inFrom':
    case 'at':
      return rule.mm;
    case 'beside':
      return rule.overlapMm;
    case 'share':
      return 5;
  }
}
