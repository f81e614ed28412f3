import * as z from 'zod';
import {
  colourName,
  filamentColour,
  filamentColours,
  hexOf,
  MOST_COLOURS,
  type FilamentColour,
} from '../../colours/index.ts';
import { length } from '../amount.ts';
import { stepRef } from '../placement.ts';
import {
  choice,
  clause,
  millimetres,
  missingStepWords,
  stepWords,
  text,
  type Addition,
  type FieldPath,
  type Option,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** A height of the part: so far above the plate, or where a step begins or ends. */
const height = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('mm'), mm: length() }),
  z.strictObject({ by: z.literal('step'), of: stepRef, edge: z.enum(['low', 'high']) }),
]);
type Height = z.infer<typeof height>;

const change = z.strictObject({ from: height, colour: filamentColour });

export const schema = stepSchema('colours', {
  first: filamentColour,
  /** From which height on the part is of which other colour. */
  changes: z.array(change).max(MOST_COLOURS - 1),
});
export type ColoursStep = z.infer<typeof schema>;

/** Says in which filament the part is printed, and from which height on in which other. */
export const colours: StepKind<ColoursStep> = {
  kind: 'colours',
  get label() {
    return say('Choose colours');
  },
  group: 'whole',
  offers: () => [
    {
      id: 'colours',
      label: say('Choose colours'),
      wish: 'whole',
      words: say('color paint filament two second white red blue green'),
    },
  ],

  create: (id) => ({ id, kind: 'colours', first: 'leafGreen', changes: [] }),

  sentence: (step, context) => [
    text('Print it in'),
    colourToken(['first'], step.first),
    ...step.changes.flatMap(({ from, colour }, i) => {
      const path = ['changes', i];
      return clause(
        [
          text('; from'),
          ...heightTokens(from, [...path, 'from'], context),
          text('up in'),
          colourToken([...path, 'colour'], colour),
        ],
        path,
        'Have no other colour from there',
      );
    }),
    text('.'),
  ],

  forgetting: (step, removedId) => ({
    ...step,
    changes: step.changes.filter(({ from }) => from.by !== 'step' || from.of.step !== removedId),
  }),

  additions(step): Addition[] {
    const at = step.changes.length;
    if (at === MOST_COLOURS - 1) return [];
    const last = step.changes.at(-1)?.from;
    const mm = last?.by === 'mm' && typeof last.mm === 'number' ? last.mm + 1 : 2;
    const value = { from: { by: 'mm', mm }, colour: nextColour(step) };
    return [{ label: say('another colour from some height up'), path: ['changes', at], value }];
  },

  build(step, kit) {
    if (!kit.partBox())
      return kit.fail([], say('There is nothing to colour yet: put this step after one that adds material.'));
    return { operations: [], colours: step };
  },
};

/** A colour that the step does not have yet and that is seen beside its last. */
function nextColour({ first, changes }: ColoursStep): FilamentColour {
  const used = [first, ...changes.map(({ colour }) => colour)];
  const others: readonly FilamentColour[] = ['chalkWhite', 'sootBlack', 'sunYellow', 'brickRed', 'inkBlue'];
  return others.find((each) => !used.includes(each)) ?? others[0];
}

function colourToken(path: FieldPath, colour: FilamentColour): Token {
  const options = filamentColours.map((value) => ({ label: colourName(value), value, hex: hexOf(value) }));
  const token = choice(path, 'colour', options, ({ value }) => value === colour);
  return token.type === 'choice' ? { ...token, shows: 'colour' } : token;
}

/** "3 mm", "the bottom of step 3", "the top of step 1". */
function heightTokens(from: Height, path: FieldPath, { recipe, index }: SentenceContext): Token[] {
  const mm = from.by === 'mm' ? from.mm : 2;
  const options: Option[] = [
    {
      label: say('above the plate'),
      value: { by: 'mm', mm },
    },
  ];
  for (let i = 0; i < index; i++) {
    const [step, of] = [stepWords(recipe.steps, i), { step: recipe.steps[i].id }];
    options.push(
      { label: say('the bottom of {step}', { step }), value: { by: 'step', of, edge: 'low' } },
      { label: say('the top of {step}', { step }), value: { by: 'step', of, edge: 'high' } },
    );
  }
  const isSame = (value: unknown) =>
    from.by === 'mm' ? (value as Height).by === 'mm' : JSON.stringify(value) === JSON.stringify(from);
  if (!options.some(({ value }) => isSame(value)) && from.by === 'step')
    options.push({ label: missingStepWords(recipe.steps, from.of.step), value: from });
  const where = choice(path, 'from where', options, ({ value }) => isSame(value));
  return from.by === 'mm'
    ? [millimetres([...path, 'mm'], from.mm, 'height above the plate', { nudge: 0.2 }), where]
    : [where];
}
