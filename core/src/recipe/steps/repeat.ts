import * as z from 'zod';
import { combined, mirror, shift, turn, type Box, type Pose, type Vec3 } from '../../mesh/index.ts';
import { angle, count, distance, type Resolved } from '../amount.ts';
import { axisIndex, edgeWords, rangeOf, stepRef, target, type Axis } from '../placement.ts';
import { targetToken } from '../placementSentence.ts';
import {
  choice,
  degrees,
  many,
  millimetres,
  missingStepWords,
  oneOf,
  stepWords,
  text,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import { stepSchema, type StepKind, type Surroundings } from './stepKind.ts';
import { say } from '../../words/index.ts';

const axis = z.enum(['x', 'y', 'z']);

const pattern = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('row'), axis, count: count(2, 200), stepMm: distance() }),
  z.strictObject({
    type: z.literal('grid'),
    columns: count(1, 100),
    columnMm: distance(),
    rows: count(1, 100),
    rowMm: distance(),
  }),
  /** Turned about an axis through the middle of the target; the whole angle is shared out evenly. */
  z.strictObject({ type: z.literal('around'), axis, count: count(2, 200), deg: angle(), about: target }),
  /** Seen in a mirror through the middle of the target. */
  z.strictObject({ type: z.literal('mirror'), axis, about: target }),
]);
type Pattern = z.infer<typeof pattern>;

/** Steps that are named one by one, or every step from one on, those that come to stand there later included. */
const repeated = z.union([z.array(stepRef).max(50), z.strictObject({ since: stepRef })]);
type Repeated = z.infer<typeof repeated>;

export const schema = stepSchema('repeat', { of: repeated, pattern });
export type RepeatStep = z.infer<typeof schema>;

/** More copies than this are surely a slip of the hand. */
const MOST_COPIES = 400;

/** Between copies that a pattern puts beside each other, mm. */
const GAP_MM = 2;

/** A pattern whose copies do not touch, and go where there is most room for them; no more of them than that holds. */
function fitting(of: Pattern, { own, room, under, others = [] }: Surroundings): Pattern {
  if ('about' in of) return under ? { ...of, about: under } : of;
  const step = (i: 0 | 1) => Math.ceil(own.max[i] - own.min[i] + GAP_MM);
  const along = (i: 0 | 1) => {
    if (!room) return { copies: Infinity, stepMm: step(i) };
    const copies = (mm: number) => Math.max(0, Math.floor(mm / step(i)));
    const j = 1 - i;
    const beside = others.filter(({ min, max }) => min[j] < own.max[j] && max[j] > own.min[j]);
    const high = Math.min(room.max[i], ...beside.map(({ min }) => min[i]).filter((mm) => mm >= own.max[i]));
    const low = Math.max(room.min[i], ...beside.map(({ max }) => max[i]).filter((mm) => mm <= own.min[i]));
    const [after, before] = [copies(high - own.max[i]), copies(own.min[i] - low)];
    return before > after ? { copies: before, stepMm: -step(i) } : { copies: after, stepMm: step(i) };
  };
  const most = (wished: number, copies: number) => Math.max(2, Math.min(wished, copies + 1));
  const [x, y] = [along(0), along(1)];
  if (of.type === 'row') {
    const isUpwards = x.copies === 0 && y.copies > 0;
    const { copies, stepMm } = isUpwards ? y : x;
    return { ...of, axis: isUpwards ? 'y' : 'x', count: most(3, copies), stepMm };
  }
  return {
    ...of,
    columns: most(3, x.copies),
    columnMm: x.stepMm,
    rows: most(2, y.copies),
    rowMm: y.stepMm,
  };
}

/** Repeats what earlier steps added and cut. */
export const repeat: StepKind<RepeatStep> = {
  kind: 'repeat',
  get label() {
    return say('Repeat steps');
  },
  group: 'repeat',
  offers: () => [
    {
      id: 'repeat',
      label: say('Repeat steps'),
      wish: 'many',
      words: say('copy copies again more times circle pattern mirror both sides'),
      variants: ['pattern'],
    },
  ],
  takesLast: true,
  spaced: (step, around) => ({ ...step, pattern: fitting(step.pattern, around) }),

  create: (id, on) => ({
    id,
    kind: 'repeat',
    of: on === undefined ? [] : [{ step: on }],
    pattern: { type: 'row', axis: 'x', count: 3, stepMm: 10 },
  }),

  sentence: (step, context) => [
    text('Repeat'),
    ...repeatedTokens(step.of, context),
    choice(
      ['pattern'],
      'how it is repeated',
      [
        { label: 'in a row', value: { type: 'row', axis: 'x', count: 3, stepMm: 10 } },
        { label: 'on a grid', value: { type: 'grid', columns: 3, columnMm: 10, rows: 2, rowMm: 10 } },
        {
          label: 'around an axis',
          value: { type: 'around', axis: 'z', count: 6, deg: 360, about: { plate: true } },
        },
        { label: 'in a mirror', value: { type: 'mirror', axis: 'x', about: { plate: true } } },
      ],
      ({ value }) => (value as Pattern).type === step.pattern.type,
    ),
    text(','),
    ...patternTokens(step.pattern, (on) => targetToken(['pattern', 'about'], on, context)),
    text('.'),
  ],

  build(step, kit) {
    const of = Array.isArray(step.of) ? step.of : kit.since(step.of.since);
    if (of.length === 0) return kit.fail(['of'], say('Choose the steps to repeat.'));
    const poses = posesOf(step.pattern, (on) => kit.hostBox(on));
    if (poses.length > MOST_COPIES) {
      return kit.fail(
        ['pattern'],
        say('That makes {count} copies; Kelbrin makes at most {most}. Lower one of the numbers.', {
          count: poses.length,
          most: MOST_COPIES,
        }),
      );
    }
    return { operations: kit.repeated(of, poses), copies: { of, poses } };
  },
};

/** Where the copies go; the first of the pattern is what is there already. */
export function posesOf(of: Resolved<Pattern>, boxOf: (on: Resolved<z.infer<typeof target>>) => Box): Pose[] {
  switch (of.type) {
    case 'row':
      return Array.from({ length: of.count - 1 }, (_, i) => shift(alongAxis(of.axis, (i + 1) * of.stepMm)));
    case 'grid':
      return Array.from({ length: of.columns * of.rows }, (_, i) =>
        shift([(i % of.columns) * of.columnMm, Math.floor(i / of.columns) * of.rowMm, 0]),
      ).slice(1);
    case 'around': {
      const middle = middleOf(boxOf(of.about));
      // A whole turn has no end of its own: its last copy would be its first.
      const isWhole = Math.abs(Math.abs(of.deg) - 360) < 1e-9;
      const each = of.deg / (isWhole ? of.count : of.count - 1);
      return Array.from({ length: of.count - 1 }, (_, i) => about(middle, turn(of.axis, (i + 1) * each)));
    }
    case 'mirror':
      return [about(middleOf(boxOf(of.about)), mirror(of.axis))];
  }
}

/** "only step 2 and step 3", or "everything since step 2". */
function repeatedTokens(of: Repeated, context: SentenceContext): Token[] {
  const { steps } = context.recipe;
  const named = Array.isArray(of) ? of : [of.since];
  // Where none was named yet, the step right before this one is what people mean.
  const before = steps[context.index - 1];
  const since = named[0] ?? (before && { step: before.id });
  const which = choice(
    ['of'],
    'what is repeated',
    [{ label: 'only', value: named }, ...(since ? [{ label: 'everything since', value: { since } }] : [])],
    ({ value }) => Array.isArray(value) === Array.isArray(of),
  );
  const offered = steps
    .slice(0, context.index)
    .map(({ id }, i) => ({ id, label: stepWords(steps, i) }))
    .concat(missingOf(named, context));
  if (!Array.isArray(of)) {
    const options = offered.map(({ id, label }) => ({ label, value: { step: id } }));
    return [
      which,
      choice(
        ['of', 'since'],
        'first step that is repeated',
        options,
        ({ value }) => (value as { step: string }).step === of.since.step,
      ),
    ];
  }
  const chosen = of.map(({ step: id }) => id);
  return [which, { type: 'steps', path: ['of'], label: say('steps to repeat'), chosen, offered }];
}

/** Steps that it names and that are gone or come later: they are shown, so that they can be left out. */
function missingOf(
  named: readonly { readonly step: string }[],
  { recipe: { steps }, index }: SentenceContext,
) {
  const earlier = new Set(steps.slice(0, index).map(({ id }) => id));
  return named
    .filter(({ step: id }) => !earlier.has(id))
    .map(({ step: id }) => ({ id, label: missingStepWords(steps, id) }));
}

function patternTokens(of: Pattern, about: (on: z.infer<typeof target>) => Token): Token[] {
  const any = { min: -1000, nudge: 0.5 };
  const axisWords = { x: edgeWords.x.both, y: edgeWords.y.both, z: 'upwards' };
  switch (of.type) {
    case 'row':
      return [
        many(['pattern', 'count'], of.count, 'number in the row', { min: 2, max: 200 }),
        text('in all,'),
        oneOf<Axis>(['pattern', 'axis'], 'direction', of.axis, axisWords),
        text(', every'),
        millimetres(['pattern', 'stepMm'], of.stepMm, 'distance from one to the next', any),
      ];
    case 'grid':
      return [
        many(['pattern', 'columns'], of.columns, 'number of columns', { min: 1, max: 100 }),
        ...(of.columns === 1
          ? [text('column')]
          : [
              text('columns every'),
              millimetres(['pattern', 'columnMm'], of.columnMm, 'distance between columns', any),
            ]),
        text('and'),
        many(['pattern', 'rows'], of.rows, 'number of rows', { min: 1, max: 100 }),
        // One alone is no distance from another.
        ...(of.rows === 1
          ? [text('row')]
          : [text('rows every'), millimetres(['pattern', 'rowMm'], of.rowMm, 'distance between rows', any)]),
      ];
    case 'around':
      return [
        many(['pattern', 'count'], of.count, 'number around the axis', { min: 2, max: 200 }),
        text('in all over'),
        degrees(['pattern', 'deg'], of.deg, 'angle they are spread over'),
        text(', the axis'),
        oneOf<Axis>(['pattern', 'axis'], 'axis', of.axis, {
          x: 'left to right',
          y: 'front to back',
          z: 'upright',
        }),
        text('through the middle of'),
        about(of.about),
      ];
    case 'mirror':
      return [
        oneOf<Axis>(['pattern', 'axis'], 'direction', of.axis, { ...axisWords, z: 'upside down' }),
        text(', about the middle of'),
        about(of.about),
      ];
  }
}

function about([x, y, z]: Vec3, pose: Pose): Pose {
  return combined(shift([x, y, z]), pose, shift([-x, -y, -z]));
}

function middleOf(box: Box): Vec3 {
  const middle = (along: Axis) => (rangeOf(box, along).low + rangeOf(box, along).high) / 2;
  return [middle('x'), middle('y'), middle('z')];
}

function alongAxis(along: Axis, mm: number): Vec3 {
  const by: [number, number, number] = [0, 0, 0];
  by[axisIndex[along]] = mm;
  return by;
}
