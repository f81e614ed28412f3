import * as z from 'zod';
import { shift, type Box, type Vec3 } from '../../mesh/index.ts';
import { count, distance, length, type Amount, type Resolved } from '../amount.ts';
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
  type FieldPath,
  type Option,
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
  offers: () => [
    {
      id: 'sizes',
      label: say('Make it in other sizes'),
      wish: 'many',
      words: say('family gauge try trial bigger smaller table'),
    },
  ],
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
        const path = step.values.by === 'list' ? ['values', 'values', i] : ['values', 'more'];
        const made = remade(kit, of.measure, value, path);
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
  path: FieldPath,
): { readonly body: Body; readonly box: Box } | undefined {
  const body = kit.withMeasure(measure, value, path);
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
  const options: Option[] = names.map((name) => ({ label: name, value: { measure: name } }));
  if (!of) options.unshift({ label: say('which measure?'), value: undefined });
  return choice(['of'], 'measure that differs', options, ({ value }) =>
    of ? (value as typeof of | undefined)?.measure === of.measure : value === undefined,
  );
}

/** The sizes that growing would make, written out, for a start. */
function listFrom({ of, values: now }: SizesStep, { recipe }: SentenceContext): number[] {
  if (now.by === 'list') return [A_SIZE];
  const worked = valuesOf(recipe.measures);
  const own = of && worked.ok ? worked.values.get(of.measure) : undefined;
  const plain = (value: Amount) => (typeof value === 'number' ? value : 1);
  const growth = { by: 'growth', count: Math.max(2, plain(now.count)), more: plain(now.more) } as const;
  return sizesOf(growth, own ?? A_SIZE).map(rounded);
}

/** Some size, where nothing says which. */
const A_SIZE = 10;
const rounded = (mm: number) => Math.round(1000 * mm) / 1000;

/** The size after those of a list, as far from the last as that is from the one before. */
function nextAfter(list: readonly Amount[]): number {
  const [before, last] = list.slice(-2).map((each) => (typeof each === 'number' ? each : A_SIZE));
  return last === undefined ? before + 1 : rounded(2 * last - before);
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
