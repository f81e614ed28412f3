import * as z from 'zod';
import { extentOf, type Region } from '../../plane/index.ts';
import { length, type Resolved } from '../amount.ts';
import { facedAxis, facing, normalOf, type Facing } from '../facing.ts';
import { fittingLettering, letteringAdditions, letteringTokens, newLettering } from '../lettering.ts';
import { aroundTokens } from '../aroundSentence.ts';
import { centredOn, fromPlate, onTop, placement } from '../placement.ts';
import { alongTokens } from '../placementSentence.ts';
import { millimetres, oneOf, text } from '../sentence.ts';
import { edgeAddition, edgeFinish, edgeTokens } from './edgeFinish.ts';
import { free, placeAdditions, placeOf, placeTokens, roomTokens } from './freePlace.ts';
import { freeRoom, placedAt, type Placed } from './freeRoom.ts';
import { extruded } from './extrude.ts';
import { facingToken, isOnFace } from './placed.ts';
import { stepSchema, type BuildKit, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';
import { asideIf } from '../shortSentence.ts';

export const schema = stepSchema('letters', {
  lettering: fittingLettering,
  effect: z.enum(['raised', 'sunk', 'through']),
  byMm: length(0.1, 300),
  facing,
  top: edgeFinish.optional(),
  placement,
  free,
});
export type LettersStep = z.infer<typeof schema>;

const ONTO: Record<Facing, string> = said({
  up: 'on the top',
  down: 'on the underside',
  front: 'on the front',
  back: 'on the back',
  left: 'on the left side',
  right: 'on the right side',
});

/** Writes raised, sunk or cut-out letters on a face of an earlier step, or on the plate as objects of their own. */
export const letters: StepKind<LettersStep> = {
  kind: 'letters',
  get label() {
    return say('Write letters');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'letters',
      plate: 'filled',
      label: say('Write letters'),
      wish: 'standOut',
      words: say('name text word write number label sign initials raised'),
    },
    {
      id: 'sunkLetters',
      plate: 'filled',
      label: say('Sink letters in'),
      wish: 'hole',
      words: say('name text word write number engrave carve stamp pressed'),
      set: (step) => ({ ...step, effect: 'sunk', byMm: 0.8 }),
    },
  ],
  isGround: () => false,
  freely: (step) => ({
    ...step,
    lettering: { ...step.lettering, size: { by: 'room', marginMm: 1.5 } },
  }),

  create: (id, on) => ({
    id,
    kind: 'letters',
    lettering: newLettering(),
    effect: 'raised',
    byMm: 1.2,
    facing: 'up',
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  sentence(step, context) {
    const { axis } = normalOf[step.facing];
    const isPlain = isOnFace(step.placement, step.facing);
    const { size } = step.lettering;
    const canFit = !('plate' in step.placement.on);
    return [
      text('Write'),
      ...letteringTokens(step.lettering, ['lettering'], context, { canFit }),
      text(','),
      oneOf(['effect'], 'raised, sunk or cut through', step.effect, {
        raised: 'raised',
        sunk: 'sunk',
        through: 'cut right through',
      }),
      ...(step.effect === 'through'
        ? []
        : [
            millimetres(['byMm'], step.byMm, step.effect === 'raised' ? 'raised by' : 'sunk by', {
              max: 300,
            }),
          ]),
      ...asideIf(step.facing === 'up', facingToken(step, say('on which side'), ONTO)),
      ...(step.effect === 'raised' && !isPlain
        ? [text(','), ...alongTokens(axis, step.placement[axis], step.placement.on, ['placement', axis])]
        : []),
      text(','),
      ...(size.by === 'room'
        ? [
            text('into the free space on'),
            ...roomTokens(step, size.marginMm, ['lettering', 'size', 'marginMm'], context),
            ...aroundTokens(step.placement),
          ]
        : placeTokens(step, context)),
      ...edgeTokens(step.top, ['top'], say('edges of the letters')),
      text('.'),
    ];
  },

  sizes: (step) => [
    ...(isPlacedByRoom(step)
      ? []
      : [{ path: ['lettering', 'size', 'mm'], axis: facedAxis(step.facing, 'x') }]),
    ...(step.effect === 'through' ? [] : [{ path: ['byMm'], axis: normalOf[step.facing].axis }]),
  ],

  additions: (step) => [
    ...(step.lettering.size.by === 'room' ? [] : placeAdditions(step)),
    ...letteringAdditions(step.lettering, ['lettering']),
    ...(step.effect === 'through' ? [] : edgeAddition(step.top, ['top'], say('edges of the letters'))),
  ],

  build(step, kit) {
    if (step.lettering.words.trim() === '') {
      return kit.fail(['lettering', 'words'], say('There are no letters yet: type a word.'));
    }
    if (step.effect !== 'raised' && !kit.partBox()) {
      const message = say(
        'There is nothing to sink letters into yet: put this step after one that adds material.',
      );
      return kit.fail(['effect'], message);
    }
    const { axis, isHigh } = normalOf[step.facing];
    const edge = isHigh ? 'high' : 'low';
    const into = { relation: 'inFrom', edge, mm: 0 } as const;
    const along = step.effect === 'raised' ? step.placement : { ...step.placement, [axis]: into };
    const { region, capMm, placement: placed } = setOn(step, along, kit);
    const built = extruded(
      {
        ...step,
        effect: step.effect === 'raised' ? 'add' : 'cut',
        depth: step.effect === 'through' ? { type: 'through' } : { type: 'by', mm: step.byMm },
        placement: placed,
      },
      region,
      kit,
    );
    // On the plate, letters are things of their own.
    const relief = { effect: step.effect, isLettering: true, facing: step.facing };
    return { ...built, outline: region, capMm, ...('plate' in step.placement.on ? {} : { relief }) };
  },
};

/** Whether the free space of a face says where the letters are. */
function isPlacedByRoom({ free, lettering: { size } }: LettersStep): boolean {
  return free !== undefined || size.by === 'room';
}

/** The letters and where they go: as the sentence says, in the middle of what is free, or as large as fits there. */
function setOn<Body>(
  { lettering, facing: side, free: wished, placement: { on } }: Resolved<LettersStep>,
  placed: Placed,
  kit: BuildKit<Body>,
): { region: Region; capMm: number; placement: Placed } {
  const { size } = lettering;
  if (size.by !== 'room') {
    const set = kit.letters({ ...lettering, size });
    const { x, y } = extentOf(set.region);
    const step = { facing: side, placement: placed, free: wished };
    return { ...set, placement: placeOf(step, [x.high - x.low, y.high - y.low], kit) };
  }
  if ('plate' in on) {
    return kit.fail(
      ['lettering', 'size'],
      say('The plate has no edges to fit into: choose a step to write on, or say how tall the letters are.'),
    );
  }
  const set = kit.lettersInto(lettering, freeRoom(kit, side, on, size.marginMm).room);
  if (!set) {
    return kit.fail(
      ['lettering', 'size', 'marginMm'],
      say('There is no place that is free and large enough for these letters: make the margin smaller.'),
    );
  }
  kit.tell(say('As large as fits, they are {mm} mm tall.', { mm: Math.floor(10 * set.capMm) / 10 }));
  return { ...set, placement: placedAt(placed, side, set.middle) };
}
