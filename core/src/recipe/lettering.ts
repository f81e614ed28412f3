import * as z from 'zod';
import { distance, length, withUnit } from './amount.ts';
import { valuesOf, evaluateAmount } from './measures.ts';
import {
  clause,
  choice,
  millimetres,
  oneOf,
  text,
  type Addition,
  type FieldPath,
  type SentenceContext,
  type Token,
} from './sentence.ts';
import { said, say } from '../words/index.ts';

/** The fonts that ship with Kelbrin, each with strokes that print. */
export const fontNames = said({
  sturdy: 'Sturdy',
  rounded: 'Rounded',
  slab: 'Slab',
  narrow: 'Narrow',
  stencil: 'Stencil',
  script: 'Script',
  typewriter: 'Typewriter',
  hand: 'Hand',
} as const);
export type FontName = keyof typeof fontNames;

/** The thinnest stroke among a font's letters and figures, as a share of the height of a capital. A test measures it. */
export const thinnestStroke: Record<FontName, number> = {
  sturdy: 0.133,
  rounded: 0.117,
  slab: 0.074,
  narrow: 0.134,
  stencil: 0.18,
  script: 0.071,
  typewriter: 0.101,
  hand: 0.101,
};
const font = z.enum(Object.keys(fontNames) as [FontName, ...FontName[]]);

/** What is written, and how its letters are set. */
export const lettering = z.strictObject({
  /** One line, or several. */
  words: z.string().max(200),
  font,
  size: z.discriminatedUnion('by', [
    /** The height of a capital letter. */
    z.strictObject({ by: z.literal('height'), mm: length(0.5, 300) }),
    /** The width of the longest line. */
    z.strictObject({ by: z.literal('width'), mm: length(1, 1000) }),
  ]),
  /** Added between letters. */
  spacingMm: distance().optional(),
  align: z.enum(['left', 'middle', 'right']).optional(),
  /** Set along a circle of this radius, outside it when positive and inside when negative. */
  arcMm: distance().optional(),
  /** Read in a mirror, for stamps. */
  mirrored: z.literal(true).optional(),
});
export type Lettering = z.infer<typeof lettering>;

/** The fonts that data of any kind is written in: a recipe, a step, a lettering. */
export function fontsIn(data: unknown): FontName[] {
  const found = new Set<FontName>();
  const walk = (part: unknown) => {
    if (typeof part !== 'object' || part === null) return;
    if ('font' in part && typeof part.font === 'string' && part.font in fontNames)
      found.add(part.font as FontName);
    Object.values(part).forEach(walk);
  };
  walk(data);
  return [...found];
}

/** How thick a font's thinnest strokes are at the height of the letters; undefined where that is not known. */
function strokeWords(
  { size }: Lettering,
  { recipe }: SentenceContext,
): ((font: FontName) => string) | undefined {
  if (size.by !== 'height') return undefined;
  const values = valuesOf(recipe.measures);
  const tall = evaluateAmount(size.mm, values.ok ? values.values : new Map());
  if (!tall.ok) return undefined;
  return (font) => withUnit(Math.round(10 * thinnestStroke[font] * tall.value) / 10, 'mm');
}

/** What stands where words are to be written, until somebody has written them. */
export const PLACEHOLDER = 'Name';

/** Whether letters are only the ones to begin with. */
export function isPlaceholder({ words }: Lettering): boolean {
  return words.trim() === PLACEHOLDER;
}

/** Letters to begin with. */
export const newLettering = (): Lettering => ({
  words: PLACEHOLDER,
  font: 'sturdy',
  size: { by: 'height', mm: 10 },
});

/** "“Basil” in Sturdy, 12 mm tall"; `path` leads to the lettering. */
export function letteringTokens(of: Lettering, path: FieldPath, context: SentenceContext): Token[] {
  const { size } = of;
  const strokes = strokeWords(of, context);
  // The others are offered with the strokes that they would have.
  const named = (Object.keys(fontNames) as FontName[]).map((name) => [
    name,
    name === of.font || !strokes
      ? fontNames[name]
      : say('{fontNames}, strokes {strokes}', { fontNames: fontNames[name], strokes: strokes(name) }),
  ]);
  const fonts = oneOf(
    [...path, 'font'],
    'font',
    of.font,
    Object.fromEntries(named) as Record<FontName, string>,
  );
  return [
    {
      type: 'words',
      path: [...path, 'words'],
      value: of.words,
      label: say('words to write'),
      maxLength: 200,
      lines: true,
    },
    text('in'),
    { ...fonts, shows: 'font' } as Token,
    text(','),
    millimetres(
      [...path, 'size', 'mm'],
      size.mm,
      size.by === 'height' ? 'letter height' : 'width of the words',
      {
        ...(size.by === 'height' ? { min: 0.5, max: 300 } : { min: 1 }),
        nudge: 0.5,
      },
    ),
    choice(
      [...path, 'size'],
      'sized by',
      [
        { label: 'tall', value: { by: 'height', mm: 10 } },
        { label: 'wide', value: { by: 'width', mm: 40 } },
      ],
      ({ value }) => (value as { by: string }).by === size.by,
    ),
    ...(strokes ? [text(say('(thinnest stroke {strokes})', { strokes: strokes(of.font) }))] : []),
    ...(of.spacingMm === undefined
      ? []
      : clause(
          [
            text(', spaced by'),
            millimetres([...path, 'spacingMm'], of.spacingMm, 'space between letters', { min: -10 }),
          ],
          [...path, 'spacingMm'],
          'Space them as the font does',
        )),
    ...(of.align === undefined
      ? []
      : clause(
          [
            text(', its lines'),
            oneOf([...path, 'align'], 'alignment', of.align, {
              left: 'flush left',
              middle: 'centred',
              right: 'flush right',
            }),
          ],
          [...path, 'align'],
          'Centre the lines',
        )),
    ...(of.arcMm === undefined
      ? []
      : clause(
          [
            text(', along a circle of radius'),
            millimetres([...path, 'arcMm'], of.arcMm, 'radius, negative for the inside', {
              min: -1000,
              nudge: 1,
            }),
          ],
          [...path, 'arcMm'],
          'Write in a straight line',
        )),
    ...(of.mirrored ? clause([text(', mirrored')], [...path, 'mirrored'], 'Do not mirror it') : []),
  ];
}

/** Clauses that lettering can have. */
export function letteringAdditions(of: Lettering, path: FieldPath): Addition[] {
  const offers: (Addition & { has: boolean })[] = [
    {
      has: of.spacingMm !== undefined,
      label: say('space the letters'),
      path: [...path, 'spacingMm'],
      value: 0.5,
    },
    { has: of.align !== undefined, label: say('align the lines'), path: [...path, 'align'], value: 'left' },
    { has: of.arcMm !== undefined, label: say('write along a circle'), path: [...path, 'arcMm'], value: 20 },
    {
      has: of.mirrored !== undefined,
      label: say('mirror it for a stamp'),
      path: [...path, 'mirrored'],
      value: true,
    },
  ];
  return offers.filter(({ has }) => !has).map(({ label, path: at, value }) => ({ label, path: at, value }));
}
