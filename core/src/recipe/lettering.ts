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
import {
  cutsFor,
  fontNames,
  lentWords,
  thinnestStroke,
  type CutName,
  type FontName,
} from '../letters/index.ts';
import { say } from '../words/index.ts';
import { aside, asideIf } from './shortSentence.ts';

const font = z.enum(Object.keys(fontNames) as [FontName, ...FontName[]]);

/** How tall a capital can be, mm. */
export const capHeightsMm = { least: 0.5, most: 300 } as const;

const saidSizes = [
  /** The height of a capital letter. */
  z.strictObject({ by: z.literal('height'), mm: length(capHeightsMm.least, capHeightsMm.most) }),
  /** The width of the longest line. */
  z.strictObject({ by: z.literal('width'), mm: length(1, 1000) }),
] as const;

/** What is written, and how its letters are set. */
export const lettering = z.strictObject({
  /** One line, or several. */
  words: z.string().max(200),
  font,
  size: z.discriminatedUnion('by', saidSizes),
  /** Added between letters. */
  spacingMm: distance().optional(),
  align: z.enum(['left', 'middle', 'right']).optional(),
  /** Set along a circle of this radius, outside it when positive and inside when negative. */
  arcMm: distance().optional(),
  /** Read in a mirror, for stamps. */
  mirrored: z.literal(true).optional(),
});
export type Lettering = z.infer<typeof lettering>;

/** What is written where something is that it can fit into. */
export const fittingLettering = lettering.extend({
  size: z.discriminatedUnion('by', [
    ...saidSizes,
    /** As large as fits into what is free of a face, this far from its edges, holes and other letters. */
    z.strictObject({ by: z.literal('room'), marginMm: length(0, 100) }),
  ]),
});
export type FittingLettering = z.infer<typeof fittingLettering>;

/** The files of letters that data of any kind is written with: a recipe, a step, a lettering. */
export function cutsIn(data: unknown): CutName[] {
  const found = new Set<CutName>();
  const walk = (part: unknown) => {
    if (typeof part !== 'object' || part === null) return;
    const { words, font: name } = part as { words?: unknown; font?: unknown };
    if (typeof words === 'string' && typeof name === 'string' && name in fontNames)
      for (const cut of cutsFor(words, name as FontName)) found.add(cut);
    Object.values(part).forEach(walk);
  };
  walk(data);
  return [...found];
}

/** How thick the thinnest strokes of a font are at the height of the letters; undefined where that is not known. */
function strokeWords(
  { words, size }: FittingLettering,
  { recipe }: SentenceContext,
): ((font: FontName) => string) | undefined {
  if (size.by !== 'height') return undefined;
  const values = valuesOf(recipe.measures);
  const tall = evaluateAmount(size.mm, values.ok ? values.values : new Map());
  if (!tall.ok) return undefined;
  return (font) => withUnit(Math.round(10 * thinnestStroke(font, words) * tall.value) / 10, 'mm');
}

/** What stands where words are to be written, until somebody has written them. */
export const PLACEHOLDER = 'Name';

/** Whether letters are only the ones to begin with. */
export function isPlaceholder({ words }: Pick<Lettering, 'words'>): boolean {
  return words.trim() === PLACEHOLDER;
}

/** The font of new letters, which goes without saying. */
const USUAL_FONT: FontName = 'sturdy';

/** Letters to begin with. */
export const newLettering = (): Lettering => ({
  words: PLACEHOLDER,
  font: USUAL_FONT,
  size: { by: 'height', mm: 10 },
});

/**
 * "“Basil” in Sturdy, 12 mm tall"; `path` leads to the lettering. `canFit` is whether there is something that the letters
 * can be as large as fits into.
 */
export function letteringTokens(
  of: FittingLettering,
  path: FieldPath,
  context: SentenceContext,
  { canFit = false }: { canFit?: boolean } = {},
): Token[] {
  const { size } = of;
  const strokes = strokeWords(of, context);
  const lent = lentWords(of.words, of.font);
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
    ...asideIf(of.font === USUAL_FONT, text('in'), { ...fonts, shows: 'font' } as Token),
    ...(lent ? aside(text(say('({lent})', { lent }))) : []),
    text(','),
    ...(size.by === 'room'
      ? []
      : [
          millimetres(
            [...path, 'size', 'mm'],
            size.mm,
            size.by === 'height' ? 'letter height' : 'width of the words',
            {
              ...(size.by === 'height' ? { min: capHeightsMm.least, max: capHeightsMm.most } : { min: 1 }),
              nudge: 0.5,
            },
          ),
        ]),
    choice(
      [...path, 'size'],
      'sized by',
      [
        { label: 'tall', value: { by: 'height', mm: 10 } },
        { label: 'wide', value: { by: 'width', mm: 40 } },
        ...(canFit || size.by === 'room'
          ? [{ label: say('as large as fits'), value: { by: 'room', marginMm: 1 } }]
          : []),
      ],
      ({ value }) => (value as { by: string }).by === size.by,
    ),
    ...(strokes ? aside(text(say('(thinnest stroke {strokes})', { strokes: strokes(of.font) }))) : []),
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
export function letteringAdditions(of: FittingLettering, path: FieldPath): Addition[] {
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
