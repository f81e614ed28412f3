import fc from 'fast-check';
import {
  createStep,
  emptyRecipe,
  type Along,
  type AlongHost,
  type Facing,
  type OutlineSpec,
  type Piece,
  type Placement,
  type Recipe,
  type Step,
} from '../src/recipe/index.ts';
import { fontNames, type FontName } from '../src/letters/index.ts';

/** The one measure of these recipes. */
const MEASURE = 'size';

const tenths = (low: number, high: number) =>
  fc.integer({ min: low * 10, max: high * 10 }).map((tenth) => tenth / 10);
const edge = fc.constantFrom('low' as const, 'high' as const);
const facing = fc.constantFrom<Facing>('up', 'down', 'front', 'back', 'left', 'right');

const alongHost: fc.Arbitrary<AlongHost> = fc.oneof(
  fc.constant<AlongHost>({ relation: 'centred' }),
  fc.record({ relation: fc.constant('centred' as const), mm: tenths(-10, 10) }),
  fc.record({ relation: fc.constant('inFrom' as const), edge, mm: tenths(-5, 20) }),
  fc.record({ relation: fc.constant('beside' as const), edge, overlapMm: tenths(-1, 4) }),
  fc.record({ relation: fc.constant('share' as const), percent: tenths(0, 100) }),
);

const along: fc.Arbitrary<Along> = fc.oneof(
  { weight: 5, arbitrary: alongHost },
  fc.record({
    relation: fc.constant('at' as const),
    own: fc.constantFrom('low' as const, 'middle' as const, 'high' as const),
    mm: tenths(-10, 20),
  }),
);

const placement = (earlier: readonly string[]): fc.Arbitrary<Placement> =>
  fc.record({
    on:
      earlier.length > 0
        ? fc.constantFrom(...earlier).map((step) => ({ step }))
        : fc.constant({ plate: true as const }),
    x: along,
    y: along,
    z: along,
    aroundDeg: fc.option(tenths(-90, 180), { nil: undefined, freq: 4 }),
  });

const plainOutline: fc.Arbitrary<Piece['outline']> = fc.oneof(
  fc.record({
    shape: fc.constant('roundedRectangle' as const),
    widthMm: tenths(4, 60),
    depthMm: tenths(4, 60),
    cornerMm: tenths(0, 2),
  }),
  fc.record({ shape: fc.constant('circle' as const), diameterMm: tenths(1, 50) }),
  fc.record({ shape: fc.constant('ellipse' as const), widthMm: tenths(2, 50), depthMm: tenths(2, 50) }),
  fc.record({
    shape: fc.constant('polygon' as const),
    sides: fc.integer({ min: 3, max: 12 }),
    across: fc.constantFrom('flats' as const, 'corners' as const),
    acrossMm: tenths(2, 40),
  }),
  fc.record({ shape: fc.constant('ring' as const), outerMm: tenths(10, 40), innerMm: tenths(2, 9) }),
  fc.record({ shape: fc.constant('heart' as const), widthMm: tenths(4, 40) }),
  fc.record({
    shape: fc.constant('star' as const),
    points: fc.integer({ min: 3, max: 9 }),
    outerMm: tenths(12, 40),
    innerMm: tenths(3, 11),
  }),
  // Drawn inexactly, and by its rules a box of 30 by 20 mm whose width is changed now and then.
  tenths(5, 60).map((lengthMm) => ({
    shape: 'points' as const,
    nodes: [
      { id: 'p1', xMm: 0, yMm: 0 },
      { id: 'p2', xMm: 29, yMm: 1 },
      { id: 'p3', xMm: 31, yMm: 19 },
      { xMm: -1, yMm: 21 },
    ],
    closed: true,
    smooth: false,
    mirrored: false,
    rules: [
      { kind: 'level' as const, points: ['p1', 'p2'] as [string, string] },
      {
        kind: 'apart' as const,
        points: ['p1', 'p2'] as [string, string],
        measured: 'straight' as const,
        lengthMm,
      },
      { kind: 'square' as const, edges: ['p1', 'p2'] as [string, string] },
    ],
  })),
);

/** Pieces that lie from the middle or on the first, so that none waits for itself. */
const pieces: fc.Arbitrary<Piece[]> = fc
  .array(
    fc.record({
      how: fc.constantFrom('and' as const, 'and' as const, 'without' as const, 'within' as const),
      outline: plainOutline,
      turnDeg: fc.option(tenths(-90, 90), { nil: undefined }),
      place: fc.oneof(
        fc.record({ from: fc.constant('middle' as const), xMm: tenths(-15, 15), yMm: tenths(-15, 15) }),
        fc.record({
          from: fc.constant('piece' as const),
          piece: fc.constant('p1'),
          x: alongHost,
          y: alongHost,
        }),
      ),
      times: fc.option(
        fc.oneof(
          fc.record({
            as: fc.constant('row' as const),
            count: fc.integer({ min: 2, max: 4 }),
            xMm: tenths(-9, 9),
            yMm: tenths(-9, 9),
          }),
          fc.record({
            as: fc.constant('ring' as const),
            count: fc.integer({ min: 2, max: 5 }),
            around: fc.constant({ from: 'middle' as const }),
          }),
          fc.record({
            as: fc.constant('mirror' as const),
            axis: fc.constantFrom('x' as const, 'y' as const),
            around: fc.constant({ from: 'middle' as const }),
          }),
        ),
        { nil: undefined },
      ),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((drawn) =>
    drawn.map((each, i) => ({
      ...each,
      id: `p${i + 1}`,
      ...(i === 0 ? { how: 'and' as const, place: { from: 'middle' as const, xMm: 0, yMm: 0 } } : {}),
    })),
  );

/** Some things lie where there is room. */
const free = fc.oneof(
  { weight: 4, arbitrary: fc.constant(undefined) },
  { weight: 1, arbitrary: fc.record({ marginMm: tenths(0, 3) }) },
);

const outline: fc.Arbitrary<OutlineSpec> = fc.oneof(
  { weight: 6, arbitrary: plainOutline },
  {
    weight: 1,
    arbitrary: fc.record({
      shape: fc.constant('combined' as const),
      pieces,
      growMm: fc.option(tenths(-1, 3), { nil: undefined }),
    }),
  },
);

const finish = fc.option(
  fc.record({ finish: fc.constantFrom('chamfer' as const, 'fillet' as const), mm: tenths(0.1, 2) }),
  { nil: undefined },
);

const cornerNumber = fc.integer({ min: 1, max: 8 });
const cornerGroup = fc.record({
  which: fc.oneof(
    fc.constantFrom('all' as const, 'outer' as const, 'inner' as const),
    fc.record({ numbers: fc.uniqueArray(cornerNumber, { maxLength: 3 }), of: cornerNumber }),
  ),
  finish: fc.constantFrom('round' as const, 'chamfer' as const),
  mm: tenths(0, 4),
});

const effect = fc.constantFrom('add' as const, 'add' as const, 'cut' as const, 'keep' as const);

/** Without the fields that are undefined, as data that was read is. */
const tidy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

function anyStep(id: string, earlier: readonly string[]): fc.Arbitrary<Step> {
  const extrude: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('extrude' as const),
    effect: earlier.length === 0 ? fc.constant('add' as const) : effect,
    outline,
    corners: fc.option(fc.array(cornerGroup, { maxLength: 3 }), { nil: undefined }),
    facing,
    depth: fc.record({ type: fc.constant('by' as const), mm: tenths(0.5, 20) }),
    taperDeg: fc.option(tenths(-5, 5), { nil: undefined }),
    top: finish,
    bottom: finish,
    placement: placement(earlier),
    free,
    measuredTo: fc.option(fc.constant('axis' as const), { nil: undefined, freq: 4 }),
  });
  if (earlier.length === 0) return extrude.map(tidy);
  const hole: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('hole' as const),
    size: fc.record({ by: fc.constant('diameter' as const), mm: tenths(0.5, 12) }),
    depth: fc.oneof(
      fc.constant({ type: 'through' as const }),
      fc.record({ type: fc.constant('blind' as const), mm: tenths(0.1, 10) }),
    ),
    rim: fc.option(fc.record({ type: fc.constant('chamfer' as const), mm: tenths(0.1, 1) }), {
      nil: undefined,
    }),
    called: fc.option(fc.constantFrom('bore', 'pin'), { nil: undefined }),
    facing,
    placement: placement(earlier),
    free,
  });
  const letters: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('letters' as const),
    lettering: fc.record({
      words: fc.constantFrom(
        'Basil',
        `Ø {${MEASURE}}`,
        'Dill\n& Chive',
        'ÄÖÜ',
        'il',
        '8',
        'Nguyễn',
        'Ωμ Ж',
        'דוד ♥',
        'محمد',
      ),
      font: fc.constantFrom(...(Object.keys(fontNames) as FontName[])),
      size: fc.oneof(
        {
          weight: 3,
          arbitrary: fc.record({
            by: fc.constantFrom('height' as const, 'width' as const),
            mm: tenths(3, 20),
          }),
        },
        { weight: 1, arbitrary: fc.record({ by: fc.constant('room' as const), marginMm: tenths(0, 3) }) },
      ),
      arcMm: fc.option(tenths(10, 40), { nil: undefined }),
      spacingMm: fc.option(tenths(-1, 3), { nil: undefined, freq: 3 }),
      mirrored: fc.option(fc.constant(true as const), { nil: undefined, freq: 5 }),
    }),
    effect: fc.constantFrom('raised' as const, 'sunk' as const, 'through' as const),
    byMm: tenths(0.2, 3),
    facing,
    placement: placement(earlier),
  });
  const eyelet: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('eyelet' as const),
    holeMm: tenths(1, 8),
    wallMm: tenths(0.5, 4),
    thickMm: tenths(1, 6),
    facing,
    placement: placement(earlier),
  });
  const repeat: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('repeat' as const),
    of: fc
      .tuple(fc.constantFrom(...earlier), fc.boolean())
      .map(([step, isSince]) => (isSince ? { since: { step } } : [{ step }])),
    pattern: fc.oneof(
      fc.record({
        type: fc.constant('row' as const),
        axis: fc.constantFrom('x' as const, 'y' as const, 'z' as const),
        count: fc.integer({ min: 2, max: 4 }),
        stepMm: tenths(-20, 20),
      }),
      fc.record({
        type: fc.constant('around' as const),
        axis: fc.constant('z' as const),
        count: fc.integer({ min: 2, max: 5 }),
        deg: fc.constantFrom(360, 90, -45),
        about: fc.constant({ plate: true as const }),
      }),
      fc.record({
        type: fc.constant('grid' as const),
        columns: fc.integer({ min: 1, max: 3 }),
        columnMm: tenths(-15, 15),
        rows: fc.integer({ min: 1, max: 3 }),
        rowMm: tenths(-15, 15),
      }),
      fc.record({
        type: fc.constant('mirror' as const),
        axis: fc.constantFrom('x' as const, 'y' as const, 'z' as const),
        about: fc.constantFrom(...earlier).map((step) => ({ step })),
      }),
    ),
  });
  const box: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('solid' as const),
    effect,
    solid: fc.record({
      type: fc.constant('box' as const),
      widthMm: fc.oneof(tenths(4, 40), fc.constant({ formula: `3 * ${MEASURE}` })),
      depthMm: tenths(4, 40),
      heightMm: tenths(1, 20),
      edges: fc.record({
        which: fc.constantFrom('all' as const, 'upright' as const, 'top' as const),
        finish: fc.constantFrom('round' as const, 'chamfer' as const),
        mm: tenths(0.1, 4),
      }),
    }),
    placement: placement(earlier),
    free,
  });
  const edges: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('edges' as const),
    finish: fc.constantFrom('round' as const, 'slope' as const),
    which: fc.oneof(
      fc.constantFrom('above' as const, 'all' as const, 'upright' as const, 'upper' as const),
      fc.constantFrom(...earlier).map((step) => ({ between: { step } })),
      fc.record({ chosen: fc.constant<[]>([]) }),
    ),
    of: fc.option(fc.constantFrom(...earlier.map((step) => ({ step }))), { nil: undefined }),
    mm: tenths(0.1, 3),
    deg: fc.option(fc.integer({ min: 10, max: 80 }), { nil: undefined }),
  });
  const sizes: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('sizes' as const),
    of: fc.option(fc.constant({ measure: MEASURE }), { nil: undefined, freq: 8 }),
    values: fc.oneof(
      fc.record({
        by: fc.constant('growth' as const),
        count: fc.integer({ min: 2, max: 4 }),
        more: tenths(-1, 3),
      }),
      fc.record({
        by: fc.constant('list' as const),
        values: fc.array(tenths(0.5, 12), { minLength: 1, maxLength: 3 }),
      }),
    ),
    axis: fc.constantFrom('x' as const, 'y' as const),
    apartMm: tenths(0, 8),
  });
  const colours: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('colours' as const),
    first: fc.constantFrom('leafGreen' as const, 'chalkWhite' as const),
    changes: fc.array(
      fc.record({
        from: fc.oneof(
          fc.record({ by: fc.constant('mm' as const), mm: tenths(0.2, 20) }),
          fc.record({
            by: fc.constant('step' as const),
            of: fc.constantFrom(...earlier).map((step) => ({ step })),
            edge,
          }),
        ),
        colour: fc.constantFrom('sootBlack' as const, 'sunYellow' as const),
      }),
      { maxLength: 2 },
    ),
  });
  const plain = fc
    .constantFrom(
      'solid' as const,
      'revolve' as const,
      'sweep' as const,
      'trim' as const,
      'setDown' as const,
      'scale' as const,
      'mirror' as const,
      'taper' as const,
    )
    .map((kind) => createStep(kind, id, earlier[0]));
  return fc.oneof(extrude, hole, letters, eyelet, repeat, sizes, colours, box, edges, plain).map(tidy);
}

/** Well-formed recipes of one to five steps, each placed on earlier ones; not all of them can be built. */
export const anyRecipe: fc.Arbitrary<Recipe> = fc
  .integer({ min: 1, max: 5 })
  .chain((count) =>
    fc.tuple(
      ...Array.from({ length: count }, (_, i) =>
        anyStep(
          `s${i + 1}`,
          Array.from({ length: i }, (_, j) => `s${j + 1}`),
        ),
      ),
    ),
  )
  .map((steps) => ({ ...emptyRecipe(), measures: [{ name: MEASURE, value: 4, tolerance: 0.1 }], steps }));
