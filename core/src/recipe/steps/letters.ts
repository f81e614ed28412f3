import * as z from 'zod';
import { extentOf, type Region } from '../../plane/index.ts';
import { length, type Amount, type Resolved } from '../amount.ts';
import { facing, normalOf, type Facing } from '../facing.ts';
import { fittingLettering, letteringAdditions, letteringTokens, newLettering } from '../lettering.ts';
import { aroundTokens } from '../aroundSentence.ts';
import { centredOn, fromPlate, onTop, placement } from '../placement.ts';
import { alongTokens, placementAdditions, placementTokens, targetToken } from '../placementSentence.ts';
import { clause, millimetres, oneOf, text, type FieldPath, type Token } from '../sentence.ts';
import { edgeAddition, edgeFinish, edgeTokens } from './edgeFinish.ts';
import { freeRoom, middleIn, placedAt, type Placed } from './freeRoom.ts';
import { extruded } from './extrude.ts';
import { facingToken, isOnFace, spreadOf } from './placed.ts';
import { stepSchema, type BuildKit, type StepKind } from './stepKind.ts';
import { said, say } from '../../words/index.ts';

export const schema = stepSchema('letters', {
  lettering: fittingLettering,
  effect: z.enum(['raised', 'sunk', 'through']),
  byMm: length(0.1, 300),
  facing,
  top: edgeFinish.optional(),
  placement,
  /** Centred in what is free of the host's face instead, this far from its edges, holes and other letters. */
  free: z.strictObject({ marginMm: length(0, 100) }).optional(),
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
      facingToken(step, say('on which side'), ONTO),
      ...(step.effect === 'raised' && !isPlain
        ? [text(','), ...alongTokens(axis, step.placement[axis], step.placement.on, ['placement', axis])]
        : []),
      text(','),
      ...(size.by === 'room'
        ? [
            text('into the free space on'),
            targetToken(['placement', 'on'], step.placement.on, context),
            text(', away from its edges by at least'),
            marginToken(['lettering', 'size', 'marginMm'], size.marginMm),
            ...aroundTokens(step.placement),
          ]
        : step.free
          ? [
              ...clause(
                [
                  text('in the middle of the free space on'),
                  targetToken(['placement', 'on'], step.placement.on, context),
                  text(', away from its edges by at least'),
                  marginToken(['free', 'marginMm'], step.free.marginMm),
                ],
                ['free'],
                'Say where it is instead',
              ),
              ...aroundTokens(step.placement),
            ]
          : placementTokens(step.placement, context, spreadOf(step.facing))),
      ...edgeTokens(step.top, ['top'], say('edges of the letters')),
      text('.'),
    ];
  },

  sizes: (step) =>
    step.facing === 'up' && !isPlacedByRoom(step) ? [{ path: ['lettering', 'size', 'mm'], axis: 'x' }] : [],

  additions: (step) => [
    // In the middle of what is free, it is placed by that.
    ...(isPlacedByRoom(step) ? [] : placementAdditions(step.placement, spreadOf(step.facing))),
    ...(isPlacedByRoom(step) || 'plate' in step.placement.on
      ? []
      : [{ label: say('put it in the middle of the free space'), path: ['free'], value: { marginMm: 1 } }]),
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

function marginToken(path: FieldPath, marginMm: Amount): Token {
  return millimetres(path, marginMm, 'margin', { min: 0, max: 100 });
}

/** The letters and where they go: as the sentence says, in the middle of what is free, or as large as fits there. */
function setOn<Body>(
  { lettering, facing: side, free, placement: { on } }: Resolved<LettersStep>,
  placed: Placed,
  kit: BuildKit<Body>,
): { region: Region; capMm: number; placement: Placed } {
  const { size } = lettering;
  if (size.by !== 'room') {
    const set = kit.letters({ ...lettering, size });
    if (!free) return { ...set, placement: placed };
    const { face, room } = freeRoom(kit, side, on, free.marginMm);
    const { x, y } = extentOf(set.region);
    const places = kit.roomFor(room, x.high - x.low, y.high - y.low);
    if (places.length === 0) return noRoom(['free', 'marginMm'], kit);
    return { ...set, placement: placedAt(placed, side, middleIn(places, face)) };
  }
  if ('plate' in on) {
    return kit.fail(
      ['lettering', 'size'],
      say('The plate has no edges to fit into: choose a step to write on, or say how tall the letters are.'),
    );
  }
  const set = kit.lettersInto(lettering, freeRoom(kit, side, on, size.marginMm).room);
  if (!set) return noRoom(['lettering', 'size', 'marginMm'], kit);
  kit.tell(say('As large as fits, they are {mm} mm tall.', { mm: Math.floor(10 * set.capMm) / 10 }));
  return { ...set, placement: placedAt(placed, side, set.middle) };
}

function noRoom<Body>(path: FieldPath, kit: BuildKit<Body>): never {
  return kit.fail(
    path,
    say(
      'There is no place that is free and large enough for these letters: make them smaller, or the margin.',
    ),
  );
}
