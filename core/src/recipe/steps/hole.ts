import * as z from 'zod';
import { circlePoints, segmentsFor } from '../../plane/index.ts';
import { boxUnder, combined, shift } from '../../mesh/index.ts';
import { length, type Resolved } from '../amount.ts';
import { facedAxis, facesSideways, facing, facingPose, normalOf } from '../facing.ts';
import { axisIndex, centredOn, downFromTop, placement, shiftFor } from '../placement.ts';
import { measureName } from '../measures.ts';
import { choice, clause, millimetres, text, type Token } from '../sentence.ts';
import { fromSide, throughPart } from './depth.ts';
import { CLEAR_MM } from './extrude.ts';
import { holeRim, rimmed, rimSize, rimTokens, type HoleRim } from './holeRim.ts';
import { holeRoof, holeSection, roofTokens } from './holeRoof.ts';
import { diameterOf, holeSize, roughly, sizeTokens } from './holeSize.ts';
import { free, placeAdditions, placeOf, placeTokens, setFree } from './freePlace.ts';
import { facingToken } from './placed.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';
import { aside, asideIf } from '../shortSentence.ts';

export const schema = stepSchema('hole', {
  size: holeSize,
  depth: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('through') }),
    z.strictObject({ type: z.literal('blind'), mm: length() }),
  ]),
  rim: holeRim.optional(),
  roof: holeRoof.optional(),
  /** What later sentences call the diameter that is drawn. */
  called: measureName.optional(),
  facing,
  placement,
  free,
});
export type HoleStep = z.infer<typeof schema>;

/** ", called “bore” elsewhere". */
function calledTokens(called: string | undefined): Token[] {
  if (called === undefined) return [];
  const name = {
    type: 'words',
    path: ['called'],
    value: called,
    label: say('name of the diameter'),
    maxLength: 24,
    lines: false,
  } as const;
  return clause([text(', called'), name, text('elsewhere')], ['called'], 'Do not name the diameter');
}

/** Cuts a round hole, right through or to a depth, square into any side. */
export const hole: StepKind<HoleStep> = {
  kind: 'hole',
  get label() {
    return say('Cut a hole');
  },
  group: 'cut',
  offers: () => [
    {
      id: 'hole',
      plate: 'under',
      label: say('Cut a hole'),
      wish: 'hole',
      words: say('round bore drill opening ring key string hang peg pin cane stick nail'),
      variants: ['size'],
      omits: ['diameter'],
    },
  ],
  placedByMiddle: true,
  freely: (step) => setFree(step, 2),

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
    ...calledTokens(step.called),
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
    ...asideIf(step.facing === 'up', facingToken(step, say('from which side'), fromSide)),
    ...rimTokens(step.rim),
    ...roofTokens(step.roof),
    text(','),
    ...(step.free ? [] : aside(text('its middle'))),
    ...placeTokens(step, context, 'middle'),
    text('.'),
  ],

  sizes: ({ size, depth, facing: side }) => [
    ...(size.by === 'diameter' ? [{ path: ['size', 'mm'], axis: facedAxis(side, 'x') }] : []),
    ...(depth.type === 'blind'
      ? [
          {
            path: ['depth', 'mm'],
            axis: normalOf[side].axis,
            holds: normalOf[side].isHigh ? ('high' as const) : ('low' as const),
          },
        ]
      : []),
  ],

  additions: (step) => [
    ...placeAdditions(step),
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
    ...(step.called === undefined
      ? [{ label: say('use its diameter elsewhere'), path: ['called'], value: 'bore' }]
      : []),
    ...(step.roof || !facesSideways(step.facing)
      ? []
      : [{ label: say('let it close with a sloping roof'), path: ['roof'], value: 'sloping' }]),
  ],

  worksOut: ({ size }, printer) => diameterOf(size, printer),

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
    const at = [...shiftFor(placeOf(step, [diameter, diameter], kit), flat, host)] as [
      number,
      number,
      number,
    ];
    at[axisIndex[axis]] = 0;
    const pose = combined(shift(at), facingPose(step.facing));
    const edges = step.rim && segmentsFor(rimSize(step.rim, radius).wide);
    const section = holeSection(radius, step, kit.printer.maxOverhangDeg, edges);
    if (step.roof && !facesSideways(step.facing))
      kit.note(say('Its roof does nothing: the hole does not lie.'));
    const body = kit.posed(step.rim ? withRim(step.rim) : bore(), pose);
    const depthMm = Math.min(face, to) - Math.max(from, floor);
    return {
      operations: [
        { effect: 'cut', body, staysOpen: true },
        ...(step.rim && step.roof
          ? [{ effect: 'cut' as const, body: kit.posed(bore(), pose), staysOpen: true }]
          : []),
      ],
      outline: [section],
      box: boxUnder(pose, {
        min: [-radius, -radius, face - depthMm],
        max: [radius, Math.max(...section.map(([, y]) => y)), face],
      }),
    };

    /** The hole with a rim at the surface, which may lie lower than the host reaches elsewhere. */
    function withRim(of: Resolved<HoleRim>) {
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

    function bore() {
      return kit.stack(
        [section],
        [
          { atMm: from, growMm: 0 },
          { atMm: to, growMm: 0 },
        ],
      );
    }
  },
};
