import * as z from 'zod';
import { centredOn, placement, shiftAlong } from '../placement.ts';
import { choice, millimetres, placementTokens, text } from '../sentence.ts';
import { extentOf, type StepKind } from './stepKind.ts';

export const lettersSchema = z.strictObject({
  id: z.string().min(1).max(40),
  kind: z.literal('letters'),
  words: z.string().max(60),
  font: z.literal('sturdy'),
  /** The height of a capital letter. */
  tallMm: z.number().min(0.5).max(300),
  effect: z.enum(['raised', 'sunk']),
  byMm: z.number().min(0.1).max(100),
  placement,
});

export type LettersStep = z.infer<typeof lettersSchema>;

/** How far sunk letters reach above the surface, so that no skin is left over them. */
const CLEAR_MM = 1;

/** Writes raised or sunk letters on top of an earlier step. */
export const letters: StepKind<LettersStep> = {
  kind: 'letters',
  label: 'Write letters',

  create: (id, on) => ({
    id,
    kind: 'letters',
    words: 'Name',
    font: 'sturdy',
    tallMm: 10,
    effect: 'raised',
    byMm: 1.2,
    placement: centredOn(on),
  }),

  sentence: (step, context) => [
    text('Write'),
    { type: 'words', path: ['words'], value: step.words, label: 'words to write', maxLength: 60 },
    text('in'),
    choice(['font'], 'font', [{ label: 'Sturdy', value: 'sturdy' }], () => true),
    text(','),
    millimetres(['tallMm'], step.tallMm, 'letter height', { min: 0.5, max: 300, stepMm: 0.5 }),
    text('tall,'),
    choice(
      ['effect'],
      'raised or sunk',
      [
        { label: 'raised', value: 'raised' },
        { label: 'sunk', value: 'sunk' },
      ],
      ({ value }) => value === step.effect,
    ),
    millimetres(['byMm'], step.byMm, step.effect === 'raised' ? 'raised by' : 'sunk by', { max: 100 }),
    text(','),
    ...placementTokens(step.placement, context),
    text('.'),
  ],

  references: (step) => ('step' in step.placement.on ? [step.placement.on.step] : []),

  build(step, kit) {
    if (step.words.trim() === '') kit.fail(['words'], 'There are no letters to write yet.');
    const host = kit.boxOf(step.placement.on);
    if (step.effect === 'sunk' && !kit.partBox()) {
      kit.fail(
        ['effect'],
        'There is nothing to sink letters into yet: put this step after one that adds material.',
      );
    }
    const region = kit.letters(step.words, step.tallMm);
    const extent = extentOf(region);
    const at = [
      shiftAlong('x', step.placement.x, extent.x, host),
      shiftAlong('y', step.placement.y, extent.y, host),
    ] as const;
    const top = host ? host.max[2] : 0;
    return step.effect === 'raised'
      ? { effect: 'add', body: kit.prism(region, at, top, top + step.byMm) }
      : { effect: 'cut', body: kit.prism(region, at, top - step.byMm, top + CLEAR_MM) };
  },
};
