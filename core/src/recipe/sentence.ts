import { edgeWords, type Along, type Axis, type Placement, type Target } from './placement.ts';

/** The keys that lead from a step to one of its fields. */
export type FieldPath = readonly (string | number)[];

/** One of several values that a word of a sentence can stand for. */
export interface Option {
  readonly label: string;
  /** What the field becomes when this option is chosen. */
  readonly value: unknown;
}

/**
 * A piece of a step's sentence. Everything but plain text is a field that can be changed where it stands; a screen
 * draws the tokens without knowing any kind of step.
 */
export type Token =
  | { readonly type: 'text'; readonly text: string }
  | {
      readonly type: 'number';
      readonly path: FieldPath;
      readonly value: number;
      /** What the number is, for people who cannot see where it stands: "width". */
      readonly label: string;
      /** Shown before the number: "Ø". */
      readonly sign?: string;
      readonly unit: 'mm';
      readonly min: number;
      readonly max: number;
      /** What one press of an arrow key adds. */
      readonly stepMm: number;
    }
  | {
      readonly type: 'choice';
      readonly path: FieldPath;
      readonly label: string;
      readonly options: readonly Option[];
      readonly chosen: number;
    }
  | {
      readonly type: 'words';
      readonly path: FieldPath;
      readonly value: string;
      readonly label: string;
      readonly maxLength: number;
    };

/** What a sentence needs to know of its surroundings. */
export interface SentenceContext {
  readonly recipe: { readonly steps: readonly { readonly id: string }[] };
  /** The index of the step that is being put into words. */
  readonly index: number;
}

/** Plain words. */
export function text(words: string): Token {
  return { type: 'text', text: words };
}

/** A length in millimetres. */
export function millimetres(
  path: FieldPath,
  value: number,
  label: string,
  options: { sign?: string; min?: number; max?: number; stepMm?: number } = {},
): Token {
  return { type: 'number', path, value, label, unit: 'mm', min: 0.1, max: 1000, stepMm: 0.1, ...options };
}

/**
 * A choice among fixed options; the chosen one is the first for which `isChosen` holds.
 * A value that none of them stands for shows as the first.
 */
export function choice(
  path: FieldPath,
  label: string,
  options: readonly Option[],
  isChosen: (option: Option) => boolean,
): Token {
  return { type: 'choice', path, label, options, chosen: Math.max(0, options.findIndex(isChosen)) };
}

/** The step or plate that something is placed on; every earlier step can be chosen. */
export function targetToken(path: FieldPath, on: Target, { recipe, index }: SentenceContext): Token {
  const options: Option[] = [{ label: 'the plate', value: { plate: true } }];
  recipe.steps
    .slice(0, index)
    .forEach((step, i) => options.push({ label: `step ${i + 1}`, value: { step: step.id } }));
  const missing = 'step' in on && !recipe.steps.slice(0, index).some((step) => step.id === on.step);
  if (missing) options.push({ label: 'a step that comes later', value: on });
  return choice(path, 'placed on', options, ({ value }) => JSON.stringify(value) === JSON.stringify(on));
}

/** "6 mm in from the left and centred front to back on step 1". */
export function placementTokens(placement: Placement, context: SentenceContext): Token[] {
  const on = targetToken(['placement', 'on'], placement.on, context);
  if ('plate' in placement.on) return [text('in the middle of'), on];
  return [...alongTokens('x', placement.x), text('and'), ...alongTokens('y', placement.y), text('on'), on];
}

function alongTokens(axis: Axis, rule: Along): Token[] {
  const words = edgeWords[axis];
  const path = ['placement', axis];
  const mm = rule.relation === 'inFrom' ? rule.mm : 5;
  const relation = choice(
    path,
    `position ${words.both}`,
    [
      { label: `in from the ${words.low}`, value: { relation: 'inFrom', edge: 'low', mm } },
      { label: `in from the ${words.high}`, value: { relation: 'inFrom', edge: 'high', mm } },
      { label: `centred ${words.both}`, value: { relation: 'centred' } },
    ],
    ({ value }) => {
      const option = value as Along;
      return (
        option.relation === rule.relation &&
        (option.relation === 'centred' || (rule.relation === 'inFrom' && option.edge === rule.edge))
      );
    },
  );
  if (rule.relation === 'centred') return [relation];
  return [
    millimetres([...path, 'mm'], rule.mm, `distance from the ${words[rule.edge]}`, { min: -1000 }),
    relation,
  ];
}

/** A sentence as plain text, for files, lists and people who read rather than edit. */
export function plainSentence(tokens: readonly Token[]): string {
  const words = tokens.map((token) => {
    switch (token.type) {
      case 'text':
        return token.text;
      case 'number':
        return `${token.sign ? `${token.sign} ` : ''}${formatMm(token.value)} ${token.unit}`;
      case 'choice':
        return token.options[token.chosen]?.label ?? '';
      case 'words':
        return `“${token.value}”`;
    }
  });
  return words.join(' ').replace(/ ([.,;])/g, '$1');
}

/** A length as people write it: no trailing zeros, at most three decimals, a real minus sign. */
export function formatMm(value: number): string {
  return String(Math.round(value * 1000) / 1000).replace('-', '−');
}
