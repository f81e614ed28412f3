import * as z from 'zod';
import { extentOf } from '../../plane/index.ts';
import { boxUnder, shift } from '../../mesh/index.ts';
import { formatNumber, angle, length } from '../amount.ts';
import { lettering, letteringAdditions, letteringTokens, newLettering } from '../lettering.ts';
import { failingIn, outline, outlineAdditions, outlineRegion, outlineTokens } from '../outlines/index.ts';
import { centredOn, fromPlate, onTop, placement, shiftFor } from '../placement.ts';
import { placementAdditions, placementTokens } from '../placementSentence.ts';
import { choice, degrees, millimetres, oneOf, text } from '../sentence.ts';
import { cornerAdditions, corners, cornerTokens, withCorners } from './corners.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';
import { levelTokens } from '../levelSentence.ts';

export const schema = stepSchema('sweep', {
  of: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('letters'), lettering }),
    z.strictObject({ type: z.literal('outline'), outline, corners: corners.optional() }),
  ]),
  heightMm: length(),
  /** How far its top leans from the vertical; it begins upright and bends along an arc of a circle. */
  leanDeg: angle(0, 85),
  towards: z.enum(['front', 'back', 'left', 'right']),
  placement,
});
export type SweepStep = z.infer<typeof schema>;

const WAY = { front: [0, -1], back: [0, 1], left: [-1, 0], right: [1, 0] } as const;

/** Sweeps an outline or letters upwards along an arc, so that they rise and lean. Every level section is the outline. */
export const sweep: StepKind<SweepStep> = {
  kind: 'sweep',
  get label() {
    return say('Sweep along an arc');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'sweep',
      plate: 'under',
      label: say('Sweep along an arc'),
      wish: 'standOut',
      words: say('lean bend bow curve slant leaning standing letters wall'),
    },
  ],
  isGround: () => false,

  create: (id, on) => ({
    id,
    kind: 'sweep',
    of: { type: 'letters', lettering: newLettering() },
    heightMm: 12,
    leanDeg: 30,
    towards: 'back',
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  sentence: (step, context) => [
    text('Sweep'),
    choice(
      ['of'],
      'what is swept',
      [
        { label: 'letters', value: { type: 'letters', lettering: newLettering() } },
        {
          label: 'an outline',
          value: {
            type: 'outline',
            outline: { shape: 'roundedRectangle', widthMm: 20, depthMm: 3, cornerMm: 1 },
          },
        },
      ],
      ({ value }) => (value as { type: string }).type === step.of.type,
    ),
    ...(step.of.type === 'letters'
      ? letteringTokens(step.of.lettering, ['of', 'lettering'], context)
      : [
          text(':'),
          ...outlineTokens(step.of.outline, ['of', 'outline'], context),
          ...cornerTokens(step.of.corners, step.of.outline, ['of', 'corners']),
        ]),
    text(', up'),
    millimetres(['heightMm'], step.heightMm, 'height', { nudge: 0.5 }),
    text(', leaning'),
    degrees(['leanDeg'], step.leanDeg, 'lean', { min: 0, max: 85 }),
    oneOf(['towards'], 'which way it leans', step.towards, {
      back: 'to the back',
      front: 'to the front',
      left: 'to the left',
      right: 'to the right',
    }),
    text(','),
    ...levelTokens('z', step),
    ...placementTokens(step.placement, context, ['x', 'y']),
    text('.'),
  ],

  additions: (step) => [
    ...placementAdditions(step.placement, ['x', 'y']),
    ...(step.of.type === 'letters'
      ? letteringAdditions(step.of.lettering, ['of', 'lettering'])
      : [
          ...outlineAdditions(step.of.outline, ['of', 'outline']),
          ...cornerAdditions(step.of.corners, step.of.outline, ['of', 'corners']),
        ]),
  ],

  build(step, kit) {
    const { of, heightMm, towards } = step;
    if (of.type === 'letters' && of.lettering.words.trim() === '') {
      return kit.fail(['of', 'lettering', 'words'], say('There are no letters yet: type a word.'));
    }
    const written = of.type === 'letters' ? kit.letters(of.lettering) : undefined;
    const inner = { ...kit, fail: failingIn(kit, ['of']) };
    const drawn =
      of.type === 'letters'
        ? { region: written!.region, corners: undefined }
        : withCorners(
            outlineRegion(of.outline, { ...kit, fail: failingIn(kit, ['of', 'outline']) }),
            of.corners,
            of.outline,
            inner,
          );
    const { region } = drawn;
    const most = kit.printer.maxOverhangDeg;
    const leanDeg = Math.min(step.leanDeg, most);
    if (step.leanDeg > most) {
      kit.note(
        say('It leans {most}°, not {leanDeg}°: the limits card allows no more.', {
          most: formatNumber(most),
          leanDeg: formatNumber(step.leanDeg),
        }),
      );
    }
    const lean = (leanDeg * Math.PI) / 180;
    // An arc that begins upright and leans by `lean` at its end has the radius h / sin(lean).
    const radius = lean > 1e-6 ? heightMm / Math.sin(lean) : Infinity;
    const out = (z: number) =>
      radius === Infinity ? 0 : radius - Math.sqrt(Math.max(0, radius ** 2 - z ** 2));
    const [dx, dy] = WAY[towards];
    const body = kit.leaning(region, heightMm, (z) => [dx * out(z), dy * out(z)]);
    // It is placed by its foot.
    const { x, y } = extentOf(region);
    const foot = { min: [x.low, y.low, 0], max: [x.high, y.high, heightMm] } as const;
    const by = shift(shiftFor(step.placement, foot, kit.hostBox(step.placement.on)));
    return {
      operations: [{ effect: 'add', body: kit.posed(body, by) }],
      outline: region,
      corners: drawn.corners,
      box: boxUnder(by, foot),
      capMm: written?.capMm,
    };
  },
};
