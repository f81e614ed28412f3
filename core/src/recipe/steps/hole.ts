import * as z from 'zod';
import { centredOn, placement, shiftAlong } from '../placement.ts';
import { choice, millimetres, placementTokens, text, type Token } from '../sentence.ts';
import type { StepKind } from './stepKind.ts';

const depth = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('through') }),
  z.strictObject({ type: z.literal('blind'), mm: z.number().min(0.1).max(1000) }),
]);

export const holeSchema = z.strictObject({
  id: z.string().min(1).max(40),
  kind: z.literal('hole'),
  diameterMm: z.number().min(0.1).max(500),
  depth,
  placement,
});

export type HoleStep = z.infer<typeof holeSchema>;

/** How far a cut reaches beyond the surfaces it opens, so that no skin of no thickness is left. */
const CLEAR_MM = 1;

/** Cuts a round upright hole, right through or to a depth below the step it is placed on. */
export const hole: StepKind<HoleStep> = {
  kind: 'hole',
  label: 'Cut a hole',

  create: (id, on) => ({
    id,
    kind: 'hole',
    diameterMm: 4,
    depth: { type: 'through' },
    placement:
      on === undefined ? centredOn() : { ...centredOn(on), x: { relation: 'inFrom', edge: 'low', mm: 6 } },
  }),

  sentence(step, context) {
    const deep: Token[] =
      step.depth.type === 'blind' ? [millimetres(['depth', 'mm'], step.depth.mm, 'depth of the hole')] : [];
    return [
      text('Cut a hole of'),
      millimetres(['diameterMm'], step.diameterMm, 'diameter', { sign: 'Ø' }),
      ...deep,
      choice(
        ['depth'],
        'how deep',
        [
          { label: 'right through', value: { type: 'through' } },
          { label: 'deep', value: { type: 'blind', mm: 1 } },
        ],
        ({ value }) => (value as { type: string }).type === step.depth.type,
      ),
      text(', its middle'),
      ...placementTokens(step.placement, context),
      text('.'),
    ];
  },

  references: (step) => ('step' in step.placement.on ? [step.placement.on.step] : []),

  build(step, kit) {
    const host = kit.boxOf(step.placement.on);
    const part = kit.partBox();
    if (!part)
      return kit.fail(
        [],
        'There is nothing to cut a hole in yet: put this step after one that adds material.',
      );
    const middle = { low: 0, high: 0 };
    const at = [
      shiftAlong('x', step.placement.x, middle, host),
      shiftAlong('y', step.placement.y, middle, host),
    ] as const;
    const top = host ? host.max[2] : part.max[2];
    const from = step.depth.type === 'through' ? part.min[2] - CLEAR_MM : top - step.depth.mm;
    const to = step.depth.type === 'through' ? part.max[2] + CLEAR_MM : Math.max(top, part.max[2]) + CLEAR_MM;
    return { effect: 'cut', body: kit.prism(kit.circle(step.diameterMm), at, from, to) };
  },
};
