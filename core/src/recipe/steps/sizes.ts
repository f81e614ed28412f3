import * as z from 'zod';
import { shift, type Box, type Vec3 } from '../../mesh/index.ts';
import { count, distance, length, type Resolved } from '../amount.ts';
import { measureName, valuesOf } from '../measures.ts';
import { edgeWords } from '../placement.ts';
import {
  choice,
  clause,
  many,
  millimetres,
  oneOf,
  text,
  type Addition,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import { stepSchema, type BuildKit, type Operation, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

const MOST_SIZES = 30;

const values = z.discriminatedUnion('by', [
  /** The measure as it is, and then so much more each time. */
  z.strictObject({ by: z.literal('growth'), count: count(2, MOST_SIZES), more: distance() }),
  /** Besides the measure as it is. */
  z.strictObject({
    by: z.literal('list'),
    values: z
      .array(distance())
      .min(1)
      .max(MOST_SIZES - 1),
  }),
]);
type Values = z.infer<typeof values>;

export const schema = stepSchema('sizes', {
  /** The measure that differs. */
  of: z.strictObject({ measure: measureName }).optional(),
  values,
  axis: z.enum(['x', 'y']),
  apartMm: length(0, 200),
});
export type SizesStep = z.infer<typeof schema>;

/** Makes all that the steps before it make once more for each other size of a measure, beside each other. */
export const sizes: StepKind<SizesStep> = {
  kind: 'sizes',
  get label() {
    return say('Make it in other sizes');
  },
  group: 'repeat',
  remakes: true,

  create: (id) => ({
    id,
    kind: 'sizes',
    values: { by: 'growth', count: 3, more: 1 },
    axis: 'x',
    apartMm: 5,
  }),

  sentence: (step, context) => [
    text('Make everything again with'),
    measureToken(step, context),
    choice(
      ['values'],
      'how the sizes go on',
      [
        { label: 'growing by', value: { by: 'growth', count: 3, more: 1 } },
        { label: 'of', value: { by: 'list', values: listFrom(step, context) } },
      ],
      ({ value }) => (value as Values).by === step.values.by,
    ),
    ...valueTokens(step.values),
    text(', in a row'),
    oneOf(['axis'], 'direction of the row', step.axis, { x: edgeWords.x.both, y: edgeWords.y.both }),
    text(','),
    millimetres(['apartMm'], step.apartMm, 'space between the sizes', { min: 0, max: 200, nudge: 1 }),
    text('apart.'),
  ],

  additions({ values: of }): Addition[] {
    if (of.by !== 'list' || of.values.length >= MOST_SIZES - 1) return [];
    const value = nextAfter(of.values);
    return [{ label: say('another size'), path: ['values', 'values', of.values.length], value }];
  },

  build(step, kit) {
    const { of, axis, apartMm } = step;
    const first = kit.partBox();
    if (!first)
      return kit.fail(
        [],
        say('There is nothing to make again yet: put this step after one that adds material.'),
      );
    if (!of)
      return kit.fail(
        ['of'],
        say('Choose the measure that differs; a part without measures needs one first.'),
      );
    const own = kit.measure(of.measure);
    if (own === undefined)
      return kit.fail(
        ['of'],
        say('There is no measure “{name}” any more. Choose another one.', { name: of.measure }),
      );
    if (!kit.isMeasureUsed(of.measure))
      kit.note(say('No step before this one uses “{name}”, so all of them are alike.', { name: of.measure }));
    const along = axis === 'x' ? 0 : 1;
    let endMm = first.max[along];
    return {
      operations: sizesOf(step.values, own).flatMap((value, i) => {
        const made = remade(kit, of.measure, value, i);
        if (!made) return [];
        const by: [number, number, number] = [0, 0, 0];
        by[along] = endMm + apartMm - made.box.min[along];
        endMm += apartMm + made.box.max[along] - made.box.min[along];
        return [
          { effect: 'add', body: kit.posed(made.body, shift(by as Vec3)) } satisfies Operation<unknown>,
        ];
      }),
    };
  },
};

function remade<Body>(
  kit: BuildKit<Body>,
  measure: string,
  value: number,
  i: number,
): { readonly body: Body; readonly box: Box } | undefined {
  const body = kit.withMeasure(measure, value, ['values', 'values', i]);
  return body && { body, box: kit.boxOf(body) };
}

/** The sizes that are made besides the measure as it is. */
function sizesOf(of: Resolved<Values>, own: number): readonly number[] {
  return of.by === 'list'
    ? of.values
    : Array.from({ length: of.count - 1 }, (_, i) => own + (i + 1) * of.more);
}

function measureToken({ of }: SizesStep, { recipe }: SentenceContext): Token {
  const names = recipe.measures.map(({ name }) => name);
  // A measure that is gone is shown, so that it is seen why nothing is made.
  if (of && !names.includes(of.measure)) names.unshift(of.measure);
  const options = names.map((name) => ({ label: name, value: { measure: name } }));
  if (!of) options.unshift({ label: say('which measure?'), value: undefined as never });
  return choice(['of'], 'measure that differs', options, ({ value }) =>
    of ? (value as typeof of | undefined)?.measure === of.measure : value === undefined,
  );
}

/** The sizes that growing would make, written out, for a start. */
function listFrom({ of, values: now }: SizesStep, { recipe }: SentenceContext): number[] {
  if (now.by === 'list') return [10];
  const worked = valuesOf(recipe.measures);
  const own = (of && worked.ok && worked.values.get(of.measure)) ?? 10;
  const [many_, more] = [now.count, now.more].map((each) => (typeof each === 'number' ? each : 1));
  return sizesOf({ by: 'growth', count: Math.max(2, many_), more }, own || 10).map(
    (value) => Math.round(1000 * value) / 1000,
  );
}

function nextAfter(list: readonly unknown[]): number {
  const [before, last] = list.slice(-2).map((each) => (typeof each === 'number' ? each : 10));
  if (last === undefined) return before + 1;
  return Math.round(1000 * (2 * last - before)) / 1000;
}

function valueTokens(of: Values): Token[] {
  const any = { min: -1000, nudge: 0.1 };
  if (of.by === 'growth')
    return [
      millimetres(['values', 'more'], of.more, 'more each time', any),
      text('each time,'),
      many(['values', 'count'], of.count, 'number in all', { min: 2, max: MOST_SIZES }),
      text('in all'),
    ];
  return of.values.flatMap((value, i) => {
    const path = ['values', 'values', i];
    const size = millimetres(path, value, 'size', any);
    const said = i === 0 ? [size] : [text(','), size];
    // One of them has to stay.
    return of.values.length > 1 ? clause(said, path, 'Leave this size out') : said;
  });
}
