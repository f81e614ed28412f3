import * as z from 'zod';
import { centredOn, placement, shiftAlong } from '../placement.ts';
import { choice, millimetres, placementTokens, text, type Token } from '../sentence.ts';
import { extentOf, type StepKind } from './stepKind.ts';

const lengthMm = z.number().min(0.1).max(1000);

const outline = z.discriminatedUnion('shape', [
  z.strictObject({
    shape: z.literal('roundedRectangle'),
    widthMm: lengthMm,
    depthMm: lengthMm,
    cornerMm: z.number().min(0).max(500),
  }),
  z.strictObject({ shape: z.literal('circle'), diameterMm: lengthMm }),
]);

export const extrudeSchema = z.strictObject({
  id: z.string().min(1).max(40),
  kind: z.literal('extrude'),
  outline,
  upMm: lengthMm,
  /** Whether it rises from the plate, or from the top of the step it is placed on. */
  base: z.enum(['plate', 'top']),
  placement,
});

export type ExtrudeStep = z.infer<typeof extrudeSchema>;

/** Raises an outline from the plate, or from the top of an earlier step. */
export const extrude: StepKind<ExtrudeStep> = {
  kind: 'extrude',
  label: 'Extrude a shape',

  create: (id, on) => ({
    id,
    kind: 'extrude',
    outline: { shape: 'roundedRectangle', widthMm: 70, depthMm: 25, cornerMm: 4 },
    upMm: 2.4,
    base: on === undefined ? 'plate' : 'top',
    placement: centredOn(on),
  }),

  sentence(step, context) {
    const isPlaced = 'step' in step.placement.on;
    const base: Token[] = isPlaced
      ? [
          choice(
            ['base'],
            'rising from',
            [
              { label: 'from the plate', value: 'plate' },
              { label: 'on top', value: 'top' },
            ],
            ({ value }) => value === step.base,
          ),
          text(','),
        ]
      : [];
    return [
      text('Extrude a'),
      ...outlineTokens(step),
      text('up'),
      millimetres(['upMm'], step.upMm, 'height'),
      ...base,
      ...placementTokens(step.placement, context),
      text('.'),
    ];
  },

  references: (step) => ('step' in step.placement.on ? [step.placement.on.step] : []),

  build(step, kit) {
    const host = kit.boxOf(step.placement.on);
    const region =
      step.outline.shape === 'circle'
        ? kit.circle(step.outline.diameterMm)
        : kit.roundedRectangle(step.outline.widthMm, step.outline.depthMm, step.outline.cornerMm);
    if (step.outline.shape === 'roundedRectangle') {
      const largest = Math.min(step.outline.widthMm, step.outline.depthMm) / 2;
      if (step.outline.cornerMm > largest) {
        kit.fail(
          ['outline', 'cornerMm'],
          `The corners can be at most ${largest} mm, half of the shorter side.`,
        );
      }
    }
    const extent = extentOf(region);
    const at = [
      shiftAlong('x', step.placement.x, extent.x, host),
      shiftAlong('y', step.placement.y, extent.y, host),
    ] as const;
    const from = host && step.base === 'top' ? host.max[2] : 0;
    return { effect: 'add', body: kit.prism(region, at, from, from + step.upMm) };
  },
};

function outlineTokens({ outline }: ExtrudeStep): Token[] {
  const across = outline.shape === 'circle' ? outline.diameterMm : Math.min(outline.widthMm, outline.depthMm);
  const shape = choice(
    ['outline'],
    'shape',
    [
      {
        label: 'rounded rectangle',
        value: {
          shape: 'roundedRectangle',
          widthMm: across,
          depthMm: across,
          cornerMm: Math.min(2, across / 2),
        },
      },
      { label: 'circle', value: { shape: 'circle', diameterMm: across } },
    ],
    ({ value }) => (value as { shape: string }).shape === outline.shape,
  );
  if (outline.shape === 'circle') {
    return [
      shape,
      millimetres(['outline', 'diameterMm'], outline.diameterMm, 'diameter', { sign: 'Ø', stepMm: 0.5 }),
    ];
  }
  return [
    shape,
    millimetres(['outline', 'widthMm'], outline.widthMm, 'width', { stepMm: 1 }),
    text('×'),
    millimetres(['outline', 'depthMm'], outline.depthMm, 'depth', { stepMm: 1 }),
    text(', corners'),
    millimetres(['outline', 'cornerMm'], outline.cornerMm, 'corner radius', { min: 0, stepMm: 0.5 }),
    text(','),
  ];
}
