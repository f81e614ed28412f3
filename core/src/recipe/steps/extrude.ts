import * as z from 'zod';
import { extentOf, signedAreaOf, turned, type Outline, type Region } from '../../plane/index.ts';
import { angle, type Resolved } from '../amount.ts';
import { facedSizes, facing, normalOf } from '../facing.ts';
import {
  failingIn,
  outline,
  outlineAdditions,
  outlineRegion,
  outlineSizes,
  outlineTokens,
} from '../outlines/index.ts';
import { centredOn, fromPlate, onTop, placement } from '../placement.ts';
import { clause, degrees, oneOf, text } from '../sentence.ts';
import { cornerAdditions, corners, cornerTokens, withCorners } from './corners.ts';
import { atStart, depth, depthTokens, throughPart } from './depth.ts';
import { edgeAddition, edgeFinish, edgeTokens, sideLevels } from './edgeFinish.ts';
import { facedPlaceTokens, free, placeAdditions, placeOf, placeTokens, setFree } from './freePlace.ts';
import { isFlush, isOnFace, placedAs, placedPose } from './placed.ts';
import { stepSchema, type BuildKit, type Built, type Level, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';

export const effect = z.enum(['add', 'cut', 'keep']);

export const schema = stepSchema('extrude', {
  effect,
  outline,
  /** Corners of the outline that are rounded or cut off. */
  corners: corners.optional(),
  turnDeg: angle().optional(),
  facing,
  depth,
  /** How much it narrows upwards, ° from the vertical. */
  taperDeg: angle(-80, 80).optional(),
  top: edgeFinish.optional(),
  bottom: edgeFinish.optional(),
  /** Which edges are finished, if not all: the outer one, or the rims of openings in the outline. */
  finishes: z.enum(['outer', 'openings']).optional(),
  placement,
  free,
  /** Its placement measures to the axis about which the outline is drawn, and not to its edges. */
  measuredTo: z.literal('axis').optional(),
});
export type ExtrudeStep = z.infer<typeof schema>;

/** How far a cut reaches beyond the surfaces it opens, so that no skin of no thickness is left. */
export const CLEAR_MM = 1;

/** Raises an outline, adding, cutting, or keeping only what lies inside. */
export const extrude: StepKind<ExtrudeStep> = {
  kind: 'extrude',
  get label() {
    return say('Extrude a shape');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'shape',
      label: say('Extrude a shape'),
      wish: 'shape',
      words: say('raise lift block slab base flat body thick'),
      variants: ['outline'],
      omits: ['ofStep'],
    },
    {
      id: 'cutShape',
      plate: 'under',
      label: say('Cut out a shape'),
      wish: 'hole',
      words: say('window notch opening through'),
      set: (step) => ({ ...step, effect: 'cut', depth: { type: 'through' } }),
      variants: ['outline'],
      isQuiet: true,
      // What is inside a ring would fall out.
      omits: ['ring', 'ofStep'],
    },
    {
      id: 'sinkShape',
      plate: 'under',
      label: say('Sink a shape in'),
      wish: 'hole',
      words: say('pocket hollow recess tray groove engrave press'),
      set: (step) => ({ ...step, effect: 'cut', depth: { type: 'by', mm: 1 } }),
      variants: ['outline'],
      isQuiet: true,
      omits: ['ofStep'],
    },
  ],
  // On a rim there is nothing in the middle, where others would stand.
  isGround: ({ effect: does, facing: side, outline: { shape } }) =>
    does === 'add' && side === 'up' && shape !== 'ring',
  freely: (step) => setFree(step, 1.5),

  create: (id, on) => ({
    id,
    kind: 'extrude',
    effect: 'add',
    outline:
      on === undefined
        ? { shape: 'roundedRectangle', widthMm: 84, depthMm: 28, cornerMm: 5 }
        : { shape: 'roundedRectangle', widthMm: 10, depthMm: 10, cornerMm: 2 },
    facing: 'up',
    depth: { type: 'by', mm: 2.6 },
    placement: centredOn(on, on === undefined ? fromPlate : onTop),
  }),

  following: (step, before) => ({
    ...step,
    placement: placedAs(step.effect, before.effect, step.placement, step.facing),
  }),

  sentence(step, context) {
    return [
      oneOf(['effect'], 'add, cut or keep', step.effect, { add: 'Extrude', cut: 'Cut', keep: 'Keep only' }),
      ...outlineTokens(step.outline, ['outline'], context),
      ...cornerTokens(step.corners, step.outline),
      ...(step.turnDeg === undefined
        ? []
        : clause(
            [text(', turned'), degrees(['turnDeg'], step.turnDeg, 'turned by')],
            ['turnDeg'],
            'Do not turn it',
          )),
      text(','),
      ...depthTokens(step),
      text(','),
      ...(step.depth.type === 'through' ? placeTokens(step, context) : facedPlaceTokens(step, context)),
      ...(step.measuredTo === undefined
        ? []
        : clause([text('; measured to its own axis')], ['measuredTo'], 'Measure to its edges')),
      ...(step.taperDeg === undefined
        ? []
        : clause(
            [text('; tapered'), degrees(['taperDeg'], step.taperDeg, 'taper', { min: -80, max: 80 })],
            ['taperDeg'],
            'Do not taper it',
          )),
      ...edgeTokens(step.top, ['top'], say('top edge')),
      ...edgeTokens(step.bottom, ['bottom'], say('bottom edge')),
      ...(step.finishes === undefined
        ? []
        : clause(
            [
              text(','),
              oneOf(['finishes'], 'which edges are finished', step.finishes, {
                outer: 'on the outside only',
                openings: 'on the rims of openings only',
              }),
            ],
            ['finishes'],
            'Finish all edges',
          )),
      text('.'),
    ];
  },

  sizes: ({ outline: of, facing: side, turnDeg, depth: by }) => [
    ...(turnDeg ? [] : facedSizes(outlineSizes(of, ['outline']), side)),
    ...(by.type === 'by' ? [{ path: ['depth', 'mm'], axis: normalOf[side].axis }] : []),
  ],

  additions: (step) => [
    ...placeAdditions(step),
    ...outlineAdditions(step.outline, ['outline']),
    ...edgeAddition(step.top, ['top'], say('top edge')),
    ...edgeAddition(step.bottom, ['bottom'], say('bottom edge')),
    ...cornerAdditions(step.corners, step.outline),
    ...(step.turnDeg === undefined ? [{ label: say('turn it'), path: ['turnDeg'], value: 45 }] : []),
    ...(step.measuredTo === undefined
      ? [{ label: say('measure to its own axis'), path: ['measuredTo'], value: 'axis' }]
      : []),
    ...(step.taperDeg === undefined ? [{ label: say('taper it'), path: ['taperDeg'], value: 10 }] : []),
    ...((step.top || step.bottom) && step.finishes === undefined
      ? [
          { label: say('finish the outside only'), path: ['finishes'], value: 'outer' },
          { label: say('finish the rims of openings only'), path: ['finishes'], value: 'openings' },
        ]
      : []),
  ],

  build(step, kit) {
    const drawn = outlineRegion(step.outline, { ...kit, fail: failingIn(kit, ['outline']) });
    const turnDeg = step.turnDeg ?? 0;
    const finished = withCorners(drawn, step.corners, step.outline, kit);
    const region = turned(finished.region, turnDeg);
    const corners = finished.corners.map((each) => ({ ...each, at: turned([[each.at]], turnDeg)[0][0] }));
    if (step.effect !== 'add' && !kit.partBox()) {
      return kit.fail(['effect'], say('There is no material yet: put this step after one that adds some.'));
    }
    const { x, y } = extentOf(region);
    const placed = placeOf(step, [x.high - x.low, y.high - y.low], kit);
    return {
      ...extruded(
        { ...step, placement: placed, measuredTo: step.free ? undefined : step.measuredTo },
        region,
        kit,
      ),
      corners,
      relief: reliefOf(step),
    };
  },
};

/** A figure that is raised from a face of another step, or sunk into it. */
function reliefOf({
  effect,
  depth: by,
  facing: side,
  placement: placed,
}: Resolved<ExtrudeStep>): Built<unknown>['relief'] {
  if (by.type === 'through' || 'plate' in placed.on) return undefined;
  if (effect === 'add' && isOnFace(placed, side))
    return { effect: 'raised', isLettering: false, facing: side };
  if (effect === 'cut' && isFlush(placed, side)) return { effect: 'sunk', isLettering: false, facing: side };
  return undefined;
}

/** What the fields that all flat things share make of a region. */
export function extruded<Body>(
  step: Pick<
    Resolved<ExtrudeStep>,
    'effect' | 'facing' | 'depth' | 'taperDeg' | 'top' | 'bottom' | 'finishes' | 'placement' | 'measuredTo'
  >,
  region: Region,
  kit: BuildKit<Body>,
): Built<Body> {
  const { effect, facing: side, placement: placed } = step;
  const host = kit.hostBox(placed.on);
  const through = step.depth.type === 'through' ? throughPart(kit.partBox() ?? host, side) : undefined;
  const heightMm = through ? through.heightMm : (step.depth as { mm: number }).mm;
  let { pose, box } = placedPose(region, heightMm, side, placed, host, step.measuredTo);
  if (through) pose = atStart(pose, side, through.startMm);

  const cuts = effect === 'cut';
  const taperDeg = step.taperDeg ?? 0;
  const shape = { heightMm, taperDeg: cuts ? -taperDeg : taperDeg, top: step.top, bottom: step.bottom };
  const openings = { topOpens: cuts, bottomOpens: cuts && through !== undefined };
  let levels = sideLevels(kit, region, { ...shape, ...openings });
  // A cut's own outline is the one at its opening, and a clearance keeps that open.
  if (cuts && taperDeg !== 0) {
    const atTop = heightMm * Math.tan((taperDeg * Math.PI) / 180);
    levels = levels.map(({ atMm, growMm }) => ({ atMm, growMm: growMm - atTop }));
  }
  refuseVanishing(kit, region, levels, taperDeg);
  if (cuts && (through || isFlush(placed, side))) levels = opened(levels, through !== undefined);
  const body = kit.posed(finished(step.finishes, region, levels, kit), pose);
  if (through) box = kit.boxOf(body);
  return { operations: [{ effect, body }], outline: region, box };
}

/** The outline's stack, its levels applied to all its edges, or to the outside or the openings alone. */
function finished<Body>(
  which: ExtrudeStep['finishes'],
  region: Region,
  levels: readonly Level[],
  kit: BuildKit<Body>,
): Body {
  const openings = region.filter((each) => isOpening(each)).map((each) => each.toReversed());
  if (which === undefined || openings.length === 0) return kit.stack(region, levels);
  const [first, last] = [levels[0], levels[levels.length - 1]];
  const straight = [first, last].map(({ atMm }) => ({ atMm, growMm: 0 }));
  const outside = kit.stack(
    region.filter((each) => !isOpening(each)),
    which === 'outer' ? levels : straight,
  );
  // Where the outline shrinks, its openings grow.
  const inside = which === 'outer' ? straight : levels.map(({ atMm, growMm }) => ({ atMm, growMm: -growMm }));
  const [low, high] = [inside[0], inside[inside.length - 1]];
  const plugs = kit.stack(openings, [
    { ...low, atMm: low.atMm - CLEAR_MM },
    ...inside,
    { ...high, atMm: high.atMm + CLEAR_MM },
  ]);
  return kit.minus(outside, plugs);
}

/** Taper and finishes may each fit and together leave nothing of the outline. */
function refuseVanishing<Body>(
  kit: BuildKit<Body>,
  region: Region,
  levels: readonly Level[],
  taperDeg: number,
): void {
  const least = Math.min(...levels.map(({ growMm }) => growMm));
  if (least >= 0 || kit.canGrow(region, least)) return;
  const path = taperDeg === 0 ? ['bottom', 'mm'] : ['taperDeg'];
  kit.fail(path, say('The outline closes up: make the taper smaller, or what is done to its edges.'));
}

function opened(levels: readonly Level[], both: boolean): Level[] {
  const [first, last] = [levels[0], levels.at(-1)!];
  return [
    ...(both ? [{ ...first, atMm: first.atMm - CLEAR_MM }] : []),
    ...levels,
    { ...last, atMm: last.atMm + CLEAR_MM },
  ];
}

const isOpening = (each: Outline) => signedAreaOf(each) < 0;
