import * as z from 'zod';
import type { Point } from '../../plane/index.ts';
import { formatNumber, length, type Amount, type Resolved } from '../amount.ts';
import { choice, clause, millimetres, text, type Token } from '../sentence.ts';
import { CLEAR_MM } from './extrude.ts';
import { say } from '../../words/index.ts';

/** What a hole has at its opening. */
export const holeRim = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('chamfer'), mm: length(0.05, 50) }),
  /** A cone of 90° that a countersunk head fits into. */
  z.strictObject({ type: z.literal('countersink'), acrossMm: length(0.2, 500) }),
  /** A wider bore that a head disappears in. */
  z.strictObject({ type: z.literal('counterbore'), acrossMm: length(0.2, 500), deepMm: length(0.1, 500) }),
]);
export type HoleRim = z.infer<typeof holeRim>;

/** The clause that says what the rim is, and leaves it out again. */
export function rimTokens(of: HoleRim | undefined): Token[] {
  if (!of) return [];
  const kinds = choice(
    ['rim'],
    'rim',
    [
      { label: 'with its rim chamfered by', value: { type: 'chamfer', mm: 0.5 } },
      { label: 'countersunk to', value: { type: 'countersink', acrossMm: 8 } },
      { label: 'counterbored to', value: { type: 'counterbore', acrossMm: 8, deepMm: 2 } },
    ],
    ({ value }) => (value as HoleRim).type === of.type,
  );
  const across = { sign: 'Ø', min: 0.2, max: 500 };
  const sizes = {
    chamfer: () => [
      millimetres(['rim', 'mm'], (of as { mm: Amount }).mm, 'chamfer of the rim', { min: 0.05, max: 50 }),
    ],
    countersink: () => [
      millimetres(
        ['rim', 'acrossMm'],
        (of as { acrossMm: Amount }).acrossMm,
        'diameter of the countersink',
        across,
      ),
    ],
    counterbore: () => {
      const bore = of as Extract<HoleRim, { type: 'counterbore' }>;
      return [
        millimetres(['rim', 'acrossMm'], bore.acrossMm, 'diameter of the counterbore', across),
        text(','),
        millimetres(['rim', 'deepMm'], bore.deepMm, 'depth of the counterbore', { max: 500 }),
        text('deep'),
      ];
    },
  }[of.type]();
  return clause([text(','), kinds, ...sizes], ['rim'], 'Leave its rim sharp');
}

/** How far a rim reaches from the axis, and how deep. */
export function rimSize(of: Resolved<HoleRim>, radius: number): { wide: number; deep: number } {
  switch (of.type) {
    case 'chamfer':
      return { wide: radius + of.mm, deep: of.mm };
    case 'countersink':
      return { wide: of.acrossMm / 2, deep: of.acrossMm / 2 - radius };
    case 'counterbore':
      return { wide: of.acrossMm / 2, deep: of.deepMm };
  }
}

/** Half the section of a hole with a rim, x its distance from the axis and y the way outwards. */
export function rimmed(
  of: Resolved<HoleRim>,
  radius: number,
  from: number,
  face: number,
  to: number,
  fail: (path: readonly string[], message: string) => never,
): Point[] {
  const { wide, deep } = rimSize(of, radius);
  if (wide <= radius)
    return fail(
      ['rim', 'acrossMm'],
      say('It must be wider than the hole itself: more than {radius} mm.', {
        radius: formatNumber(2 * radius),
      }),
    );
  if (face - deep < from) {
    return fail(
      ['rim', of.type === 'counterbore' ? 'deepMm' : of.type === 'chamfer' ? 'mm' : 'acrossMm'],
      say('It reaches deeper than the hole: make it shallower, or the hole deeper.'),
    );
  }
  const foot: Point[] = of.type === 'counterbore' ? [[radius, face - deep], [wide, face - deep]] : [[radius, face - deep]]; // oxfmt-ignore
  const above = face + CLEAR_MM;
  const rest: Point[] = to > above + 1e-9 ? [[radius, above], [radius, to]] : []; // oxfmt-ignore
  return [[0, from], [radius, from], ...foot, [wide, face], [wide, above], ...rest, [0, Math.max(to, above)]];
}
