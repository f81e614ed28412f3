import * as z from 'zod';
import { moved, turned } from '../../plane/index.ts';
import { angle, distance } from '../amount.ts';
import { degrees, millimetres, oneOf, text } from '../sentence.ts';
import { createPlain, plainOutline, plainRegion, plainShapeTokens } from './plain.ts';
import { failingIn, type OutlineKind } from './outlineKind.ts';
import { say } from '../../words/index.ts';

/** One of the outlines that are put together. */
export const piece = z.strictObject({
  how: z.enum(['and', 'without']),
  outline: plainOutline,
  xMm: distance(),
  yMm: distance(),
  turnDeg: angle().optional(),
});

/** As many pieces as one sentence can still be read with. */
const MOST_PIECES = 20;

export const schema = z.strictObject({
  shape: z.literal('combined'),
  /** In the order in which they are joined or cut away; the first is the ground for the others. */
  pieces: z.array(piece).min(1).max(MOST_PIECES),
});

/** Several outlines joined into one or cut out of each other. */
export const combined: OutlineKind<z.infer<typeof schema>> = {
  shape: 'combined',
  get label() {
    return say('a combined outline');
  },
  create: (across) => ({
    shape: 'combined',
    pieces: [
      { how: 'and', outline: createPlain('circle', across), xMm: 0, yMm: 0 },
      { how: 'without', outline: createPlain('circle', across / 2), xMm: across / 4, yMm: 0 },
    ],
  }),
  tokens: ({ pieces }, path, context) =>
    pieces.flatMap((each, i) => {
      const at = [...path, 'pieces', i];
      const shape = plainShapeTokens(each.outline, [...at, 'outline'], context);
      const place = [
        text(','),
        millimetres([...at, 'xMm'], each.xMm, 'how far to the right', { min: -1000 }),
        text('right and'),
        millimetres([...at, 'yMm'], each.yMm, 'how far to the back', { min: -1000 }),
        text('back'),
        ...(each.turnDeg === undefined
          ? []
          : [text(', turned'), degrees([...at, 'turnDeg'], each.turnDeg, 'turned by')]),
      ];
      if (i === 0) return [text('of'), ...shape, ...place];
      const joins = { and: 'and', without: 'without' };
      return [
        text(';'),
        oneOf([...at, 'how'], 'joined or cut away', each.how, joins),
        ...shape,
        ...place,
        {
          type: 'drop',
          path: at,
          label: say('Leave out this {shape}', { shape: each.outline.shape }),
        } as const,
      ];
    }),
  additions: ({ pieces }, path) => {
    if (pieces.length >= MOST_PIECES) return [];
    const at = [...path, 'pieces', pieces.length];
    const another = (how: 'and' | 'without') => ({
      how,
      outline: createPlain('circle', 5),
      xMm: 0,
      yMm: 0,
    });
    return [
      { label: say('join another outline'), path: at, value: another('and') },
      { label: say('cut another outline away'), path: at, value: another('without') },
    ];
  },
  region({ pieces }, kit) {
    return pieces.reduce<[number, number][][]>((sum, { how, outline, xMm, yMm, turnDeg = 0 }, i) => {
      const inner = { ...kit, fail: failingIn(kit, ['pieces', i, 'outline']) };
      const region = moved(turned(plainRegion(outline, inner), turnDeg), xMm, yMm);
      return i === 0 || how === 'and' ? kit.joined([sum, region]) : kit.without(sum, region);
    }, []);
  },
};
