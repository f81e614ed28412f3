import * as z from 'zod';
import { circlePoints, type Point } from '../../plane/index.ts';
import { boxUnder, combined, shift } from '../../mesh/index.ts';
import { length, type Amount, type Resolved } from '../amount.ts';
import { facing, facingPose, normalOf } from '../facing.ts';
import { valuesOf, evaluateAmount } from '../measures.ts';
import { axisIndex, centredOn, downFromTop, placement, shiftFor } from '../placement.ts';
import { placementAdditions, placementTokens } from '../placementSentence.ts';
import { classroomPrinter, fit, fittedDiameter, type PrinterTraits } from '../printer.ts';
import {
  clause,
  choice,
  formatMm,
  millimetres,
  oneOf,
  text,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import { CLEAR_MM, fromSide, throughPart } from './extrude.ts';
import { facingToken, spreadOf } from './placed.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** Clearance holes for metric screws, mm: fine, medium and coarse series of ISO 273:1979. */
export const clearanceMm = {
  M2: { close: 2.2, normal: 2.4, loose: 2.6 },
  'M2.5': { close: 2.7, normal: 2.9, loose: 3.1 },
  M3: { close: 3.2, normal: 3.4, loose: 3.6 },
  M4: { close: 4.3, normal: 4.5, loose: 4.8 },
  M5: { close: 5.3, normal: 5.5, loose: 5.8 },
  M6: { close: 6.4, normal: 6.6, loose: 7 },
  M8: { close: 8.4, normal: 9, loose: 10 },
} as const;
type Screw = keyof typeof clearanceMm;
const screws = Object.keys(clearanceMm) as [Screw, ...Screw[]];

const size = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('diameter'), mm: length(0.1, 500) }),
  z.strictObject({
    by: z.literal('screw'),
    screw: z.enum(screws),
    play: z.enum(['close', 'normal', 'loose']),
  }),
  /** For an object of a diameter: the fit's allowance and the printer's shrinkage are added. */
  z.strictObject({ by: z.literal('fit'), mm: length(0.1, 500), fit }),
]);
type Size = z.infer<typeof size>;

const rim = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('chamfer'), mm: length(0.05, 50) }),
  /** A cone of 90° that a countersunk head fits into. */
  z.strictObject({ type: z.literal('countersink'), acrossMm: length(0.2, 500) }),
  /** A wider bore that a head disappears in. */
  z.strictObject({ type: z.literal('counterbore'), acrossMm: length(0.2, 500), deepMm: length(0.1, 500) }),
]);
type Rim = z.infer<typeof rim>;

export const schema = stepSchema('hole', {
  size,
  depth: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('through') }),
    z.strictObject({ type: z.literal('blind'), mm: length() }),
  ]),
  rim: rim.optional(),
  facing,
  placement,
});
export type HoleStep = z.infer<typeof schema>;

/** Cuts a round hole, right through or to a depth, square into any side. */
export const hole: StepKind<HoleStep> = {
  kind: 'hole',
  get label() {
    return say('Cut a hole');
  },
  group: 'cut',
  placedByMiddle: true,

  create: (id, on) => ({
    id,
    kind: 'hole',
    size: { by: 'diameter', mm: 4.5 },
    depth: { type: 'through' },
    facing: 'up',
    placement: {
      ...centredOn(on, downFromTop),
      ...(on === undefined ? {} : { x: { relation: 'inFrom', edge: 'low', mm: 7 } as const }),
    },
  }),

  sentence: (step, context) => [
    text('Cut a hole'),
    ...sizeTokens(step.size, context),
    text(','),
    ...(step.depth.type === 'blind'
      ? [millimetres(['depth', 'mm'], step.depth.mm, 'depth of the hole')]
      : []),
    choice(
      ['depth'],
      'how deep',
      [
        { label: 'right through', value: { type: 'through' } },
        { label: 'deep', value: { type: 'blind', mm: 1 } },
      ],
      ({ value }) => (value as { type: string }).type === step.depth.type,
    ),
    facingToken(step, say('from which side'), fromSide),
    ...rimTokens(step.rim),
    text(', its middle'),
    ...placementTokens(step.placement, context, spreadOf(step.facing), 'middle'),
    text('.'),
  ],

  sizes: (step) =>
    step.facing === 'up' && step.size.by === 'diameter' ? [{ path: ['size', 'mm'], axis: 'x' }] : [],

  additions: (step) => [
    ...placementAdditions(step.placement, spreadOf(step.facing)),
    ...(step.rim
      ? []
      : [
          { label: say('chamfer its rim'), path: ['rim'], value: { type: 'chamfer', mm: 0.5 } },
          {
            label: say('countersink it'),
            path: ['rim'],
            value: { type: 'countersink', acrossMm: 2 * roughly(step.size) },
          },
          {
            label: say('counterbore it'),
            path: ['rim'],
            value: { type: 'counterbore', acrossMm: 2 * roughly(step.size), deepMm: 2 },
          },
        ]),
  ],

  build(step, kit) {
    const part = kit.partBox();
    if (!part) {
      return kit.fail(
        [],
        say('There is nothing to cut a hole in yet: put this step after one that adds material.'),
      );
    }
    const { axis, isHigh } = normalOf[step.facing];
    const host = 'plate' in step.placement.on ? part : kit.hostBox(step.placement.on);
    const diameter = diameterOf(step.size, kit.printer);
    const radius = diameter / 2;

    // Along its own axis, the hole's opening is at the host's face and its way is counted outwards.
    const outward = (mm: number) => (isHigh ? mm : -mm);
    const face = outward(isHigh ? host.max[axisIndex[axis]] : host.min[axisIndex[axis]]);
    const through = throughPart(part, step.facing);
    const [floor, end] = [outward(through.startMm), outward(through.startMm) + through.heightMm];
    const from = step.depth.type === 'through' ? floor - CLEAR_MM : face - step.depth.mm;
    const to = Math.max(face, end) + CLEAR_MM;

    const flat = { min: [0, 0, 0], max: [0, 0, 0] } as const;
    const at = [...shiftFor(step.placement, flat, host)] as [number, number, number];
    at[axisIndex[axis]] = 0;
    const pose = combined(shift(at), facingPose(step.facing));
    const body = kit.posed(step.rim ? withRim(step.rim) : cylinder(), pose);
    const depthMm = Math.min(face, to) - Math.max(from, floor);
    return {
      operations: [{ effect: 'cut', body, staysOpen: true }],
      outline: [circlePoints(radius)],
      box: boxUnder(pose, { min: [-radius, -radius, face - depthMm], max: [radius, radius, face] }),
    };

    /** The hole with a rim at the surface, which may lie lower than the host reaches elsewhere. */
    function withRim(of: Resolved<Rim>) {
      const across = [circlePoints(rimSize(of, radius).wide)];
      const column = kit.stack(across, [
        { atMm: from, growMm: 0 },
        { atMm: face, growMm: 0 },
      ]);
      const met = kit.boxWithin(kit.posed(column, pose));
      if (!met) kit.note(say('Its rim does nothing: there is no surface around the hole.'));
      const surface = met ? outward(isHigh ? met.max[axisIndex[axis]] : met.min[axisIndex[axis]]) : face;
      return kit.revolved([rimmed(of, radius, from, surface, to, kit.fail)], 360);
    }

    function cylinder() {
      return kit.stack(
        [circlePoints(radius)],
        [
          { atMm: from, growMm: 0 },
          { atMm: to, growMm: 0 },
        ],
      );
    }
  },
};

/** The diameter that is drawn for a hole, mm. */
export function diameterOf(of: Resolved<Size>, printer: PrinterTraits): number {
  switch (of.by) {
    case 'diameter':
      return of.mm;
    case 'screw':
      return clearanceMm[of.screw][of.play];
    case 'fit':
      return fittedDiameter(of.mm, of.fit, printer);
  }
}

function sizeTokens(of: Size, { recipe, printer = classroomPrinter }: SentenceContext): Token[] {
  const rough = roughly(of);
  const by = choice(
    ['size'],
    'sized by',
    [
      { label: 'of', value: { by: 'diameter', mm: rough } },
      { label: 'for a screw', value: { by: 'screw', screw: nearestScrew(rough), play: 'normal' } },
      { label: 'to fit an object of', value: { by: 'fit', mm: rough, fit: 'sliding' } },
    ],
    ({ value }) => (value as Size).by === of.by,
  );
  if (of.by === 'screw') {
    const names = Object.fromEntries(screws.map((name) => [name, name])) as Record<Screw, string>;
    return [
      by,
      oneOf(['size', 'screw'], 'screw', of.screw, names),
      text(','),
      oneOf(['size', 'play'], 'play', of.play, {
        close: 'with little room',
        normal: 'with normal room',
        loose: 'with much room',
      }),
      text(say('(Ø {clearanceMm} mm)', { clearanceMm: formatMm(clearanceMm[of.screw][of.play]) })),
    ];
  }
  const diameter = millimetres(['size', 'mm'], of.mm, 'diameter', { sign: 'Ø', max: 500 });
  if (of.by === 'diameter') return [by, diameter];
  const fits = oneOf(['size', 'fit'], 'fit', of.fit, {
    loose: 'loosely',
    sliding: 'sliding',
    snug: 'snugly',
    press: 'pressed in',
  });
  return [by, diameter, text(','), fits, text(addedWords(of.mm, of.fit, recipe.measures, printer))];
}

/** What was added to an object's diameter, and why. */
function addedWords(
  mm: Amount,
  how: Resolved<Extract<Size, { by: 'fit' }>>['fit'],
  measures: SentenceContext['recipe']['measures'],
  printer: PrinterTraits,
): string {
  const values = valuesOf(measures);
  const worth = evaluateAmount(mm, values.ok ? values.values : new Map());
  if (!worth.ok) return '';
  const drawn = fittedDiameter(worth.value, how, printer);
  const play = printer.fitAllowanceMm[how];
  const shrinkage = drawn - worth.value - play;
  return say('(drawn Ø {drawn} mm: {play} mm more for room, {shrinkage} mm for shrinking)', {
    drawn: formatMm(Math.round(drawn * 100) / 100),
    play: formatMm(play),
    shrinkage: formatMm(Math.round(shrinkage * 100) / 100),
  });
}

function rimTokens(of: Rim | undefined): Token[] {
  if (!of) return [];
  const kinds = choice(
    ['rim'],
    'rim',
    [
      { label: 'with its rim chamfered by', value: { type: 'chamfer', mm: 0.5 } },
      { label: 'countersunk to', value: { type: 'countersink', acrossMm: 8 } },
      { label: 'counterbored to', value: { type: 'counterbore', acrossMm: 8, deepMm: 2 } },
    ],
    ({ value }) => (value as Rim).type === of.type,
  );
  const across = { sign: 'Ø', max: 500 };
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
      const bore = of as Extract<Rim, { type: 'counterbore' }>;
      return [
        millimetres(['rim', 'acrossMm'], bore.acrossMm, 'diameter of the counterbore', across),
        text(','),
        millimetres(['rim', 'deepMm'], bore.deepMm, 'depth of the counterbore'),
        text('deep'),
      ];
    },
  }[of.type]();
  return clause([text(','), kinds, ...sizes], ['rim'], 'Leave its rim sharp');
}

/** How far a rim reaches from the axis, and how deep. */
function rimSize(of: Resolved<Rim>, radius: number): { wide: number; deep: number } {
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
function rimmed(
  of: Resolved<Rim>,
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
      say('It must be wider than the hole itself: more than {radius} mm.', { radius: formatMm(2 * radius) }),
    );
  if (face - deep < from) {
    return fail(
      ['rim', of.type === 'counterbore' ? 'deepMm' : of.type === 'chamfer' ? 'mm' : 'acrossMm'],
      say('It reaches deeper than the hole: make it shallower, or the hole deeper.'),
    );
  }
  const foot: Point[] = of.type === 'counterbore' ? [[radius, face - deep], [wide, face - deep]] : [[radius, face - deep]]; // prettier-ignore
  const above = face + CLEAR_MM;
  const rest: Point[] = to > above + 1e-9 ? [[radius, above], [radius, to]] : []; // prettier-ignore
  return [[0, from], [radius, from], ...foot, [wide, face], [wide, above], ...rest, [0, Math.max(to, above)]];
}

function roughly(of: Size): number {
  if (of.by === 'screw') return clearanceMm[of.screw].normal;
  return typeof of.mm === 'number' ? of.mm : 4;
}

function nearestScrew(mm: number): Screw {
  return screws.reduce((best, name) =>
    Math.abs(clearanceMm[name].normal - mm) < Math.abs(clearanceMm[best].normal - mm) ? name : best,
  );
}
