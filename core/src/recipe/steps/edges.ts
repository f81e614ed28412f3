import * as z from 'zod';
import { edgesBetweenInner, finishedEdges, type EdgeChain, type EdgeFinishing } from '../../edges/index.ts';
import { angle, formatNumber, length, type Resolved } from '../amount.ts';
import { stepRef, type StepRef } from '../placement.ts';
import {
  choice,
  clause,
  degrees,
  millimetres,
  missingStepWords,
  oneOf,
  stepWords,
  text,
  type Option,
  type SentenceContext,
  type Token,
} from '../sentence.ts';
import {
  isBetween,
  isChosen,
  meantEdges,
  meantNow,
  offeredEdges,
  partEdges,
  whichEdges,
  type PartEdges,
} from './meantEdges.ts';
import { stepSchema, type BuildKit, type Operation, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

/** The smallest size of a finish, mm. */
const LEAST_MM = 0.05;

export const schema = stepSchema('edges', {
  finish: z.enum(['round', 'slope']),
  which: whichEdges,
  /** The step whose edges are meant; those of the whole part if it is left out. */
  of: stepRef.optional(),
  /** The radius, or how far a slope reaches into the faces. */
  mm: length(LEAST_MM, 50),
  /** The angle between a slope and the flatter face. */
  deg: angle(10, 80).optional(),
});
export type EdgesStep = z.infer<typeof schema>;

/** Rounds or slopes edges of the part as it stands: those that stand out are cut, those that go in are filled. */
export const edges: StepKind<EdgesStep> = {
  kind: 'edges',
  get label() {
    return say('Round or slope edges');
  },
  group: 'cut',
  offers: () => [
    {
      id: 'edges',
      label: say('Round or slope edges'),
      wish: 'hold',
      words: say('soft smooth corner slant slanted chamfer fillet sharp safe'),
      variants: ['finish'],
    },
  ],

  create: (id, on) => ({
    id,
    kind: 'edges',
    finish: 'round',
    which: 'above',
    ...(on === undefined ? {} : { of: { step: on } }),
    mm: 1,
  }),

  sentence: (step, context) => [
    oneOf(['finish'], 'what is done to the edges', step.finish, { round: 'Round', slope: 'Slope' }),
    whichToken(step, context),
    ...ofTokens(step, context),
    text('by'),
    millimetres(['mm'], step.mm, 'size at the edges', { min: LEAST_MM, max: 50 }),
    ...(step.finish === 'slope' && step.deg !== undefined
      ? clause(
          [
            text(', at'),
            degrees(['deg'], step.deg, 'angle of the slope', { min: 10, max: 80 }),
            text('to the flatter face'),
          ],
          ['deg'],
          'Slope both faces alike',
        )
      : []),
    text('.'),
  ],

  additions: (step) =>
    step.finish === 'slope' && step.deg === undefined
      ? [{ label: say('set the angle of the slope'), path: ['deg'], value: 45 }]
      : [],

  build<Body>(step: Resolved<EdgesStep>, kit: BuildKit<Body>) {
    const found = partEdges(kit, []);
    if (!found)
      return kit.fail(
        [],
        say('There is no part with edges yet: put this step after one that adds material.'),
      );
    const meant = meantEdges(step, found, kit);
    const offered = isChosen(step.which) ? offeredEdges(found, step.which.chosen) : undefined;
    if (meant.length === 0) {
      if (isChosen(step.which)) return { operations: [], edges: offered };
      return kit.fail(['which'], say('There are no such edges here. Choose others.'));
    }
    const finishing: EdgeFinishing =
      step.finish === 'round'
        ? { finish: 'round', mm: step.mm }
        : { finish: 'slope', mm: step.mm, deg: step.deg };
    const made: Operation<Body>[] = [];
    /** Finishes edges that all stand out or all go in, and hands back what has no room for it. */
    const finish = (chains: readonly EdgeChain[], { surface }: PartEdges): Narrow => {
      if (chains.length === 0) return { count: 0, largestMm: Infinity };
      const { tools, left, largestMm } = finishedEdges(surface, chains, finishing);
      const effect = chains[0].isOuter ? 'cut' : 'add';
      made.push(...tools.map((tool) => ({ effect, body: kit.meshBody(tool) }) as const));
      return { count: left.length, largestMm };
    };
    // What has no room before others are filled is tried again after them.
    if (finishing.finish === 'round') finish(edgesBetweenInner(found.surface, meant), found);
    const narrow = [false, true].map((isOuter) => {
      const wanted = meant.filter((chain) => chain.isOuter === isOuter);
      if (made.length === 0) return finish(wanted, found);
      // What was made gives the edges beside it another course.
      const now = partEdges(kit, [...made])!;
      return finish(meantNow(step, wanted, isOuter, now), now);
    });
    sayNoRoom(step, kit, narrow, made.length > 0);
    return { operations: made, edges: offered };
  },
};

/** Edges that have no room for a finish, and the largest that all edges with them have room for. */
interface Narrow {
  readonly count: number;
  readonly largestMm: number;
}

function whichToken({ which: of }: EdgesStep, { recipe: { steps }, index }: SentenceContext): Token {
  const other = isBetween(of) ? of.between : steps[0] && index > 0 ? { step: steps[0].id } : undefined;
  const options: Option[] = [
    { label: say('all edges above the plate'), value: 'above' },
    { label: say('all edges'), value: 'all' },
    { label: say('the upright edges'), value: 'upright' },
    { label: say('the edges around the top'), value: 'upper' },
    ...(other ? [{ label: say('the edges between'), value: { between: other } }] : []),
    { label: say('the chosen edges'), value: isChosen(of) ? of : { chosen: [] } },
  ];
  return choice(['which'], 'which edges', options, ({ value }) => {
    if (typeof of === 'string') return value === of;
    return typeof value === 'object' && (isChosen(of) ? 'chosen' in value! : 'between' in value!);
  });
}

/** "of step 3", "step 1 and step 4", or the edges that were chosen. */
function ofTokens({ which: of, of: host }: EdgesStep, context: SentenceContext): Token[] {
  if (isChosen(of))
    return [{ type: 'edges', path: ['which'], label: say('edges to choose'), chosen: of.chosen }];
  const whole = { label: isBetween(of) ? say('anything') : say('the whole part'), value: undefined };
  const isNamed =
    (ref: StepRef | undefined) =>
    ({ value }: Option) =>
      (value as StepRef | undefined)?.step === ref?.step;
  const hosts = choice(['of'], 'whose edges', [whole, ...stepsBefore(host, context)], isNamed(host));
  if (!isBetween(of)) return [text('of'), hosts];
  const others = stepsBefore(of.between, context);
  return [hosts, text('and'), choice(['which', 'between'], 'the other step', others, isNamed(of.between))];
}

/** The steps before this one, and one that is named though it is not among them. */
function stepsBefore(named: StepRef | undefined, { recipe: { steps }, index }: SentenceContext): Option[] {
  const before = steps
    .slice(0, index)
    .map(({ id }, i) => ({ label: stepWords(steps, i), value: { step: id } }));
  if (!named || before.some(({ value }) => value.step === named.step)) return before;
  return [...before, { label: missingStepWords(steps, named.step), value: named }];
}

/** Says that edges have no room. Those that were named one by one have to; of all others, those that have are finished. */
function sayNoRoom<Body>(
  { which: of, finish, mm, deg }: Resolved<EdgesStep>,
  kit: BuildKit<Body>,
  narrow: readonly Narrow[],
  isAnyFinished: boolean,
): void {
  const count = narrow.reduce((sum, each) => sum + each.count, 0);
  if (count === 0) return;
  const largestMm = Math.min(...narrow.map((each) => each.largestMm));
  if (!isChosen(of) && isAnyFinished) {
    kit.note(
      say(
        '{count, plural, one {# edge has no room for {mm} mm and stays as it is} other {# edges have no room for {mm} mm and stay as they are}}.',
        { count, mm: formatNumber(mm) },
      ),
    );
  } else if (largestMm < LEAST_MM) {
    const isAngle = finish === 'slope' && deg !== undefined;
    kit.fail(
      [isAngle ? 'deg' : 'mm'],
      isAngle
        ? say('No slope of that angle fits at these edges: choose another angle.')
        : say('These edges have no room at all: choose others.'),
    );
  } else {
    kit.fail(
      ['mm'],
      say('The largest {what} that fits at these edges is {largest} mm.', {
        what: finish === 'slope' ? say('slope') : say('rounding'),
        largest: formatNumber(Math.floor(100 * largestMm + 0.01) / 100),
      }),
    );
  }
}
