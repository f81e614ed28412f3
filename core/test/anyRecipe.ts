import fc from 'fast-check';
import { emptyRecipe, type Along, type Placement, type Recipe, type Step } from '../src/recipe/index.ts';

const tenths = (low: number, high: number) =>
  fc.integer({ min: low * 10, max: high * 10 }).map((tenth) => tenth / 10);

const along: fc.Arbitrary<Along> = fc.oneof(
  fc.constant<Along>({ relation: 'centred' }),
  fc.record({
    relation: fc.constant('inFrom' as const),
    edge: fc.constantFrom('low' as const, 'high' as const),
    mm: tenths(-5, 20),
  }),
);

const placement = (earlier: string[]): fc.Arbitrary<Placement> =>
  fc.record({
    on:
      earlier.length > 0
        ? fc.constantFrom(...earlier).map((step) => ({ step }))
        : fc.constant({ plate: true as const }),
    x: along,
    y: along,
  });

function anyStep(id: string, earlier: string[]): fc.Arbitrary<Step> {
  const extrude: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('extrude' as const),
    outline: fc.oneof(
      fc.record({
        shape: fc.constant('roundedRectangle' as const),
        widthMm: tenths(4, 80),
        depthMm: tenths(4, 80),
        cornerMm: tenths(0, 2),
      }),
      fc.record({ shape: fc.constant('circle' as const), diameterMm: tenths(1, 60) }),
    ),
    upMm: tenths(0.5, 20),
    base: fc.constantFrom('plate' as const, 'top' as const),
    placement: placement(earlier),
  });
  if (earlier.length === 0) return extrude;
  const hole: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('hole' as const),
    diameterMm: tenths(0.5, 20),
    depth: fc.oneof(
      fc.constant({ type: 'through' as const }),
      fc.record({ type: fc.constant('blind' as const), mm: tenths(0.1, 10) }),
    ),
    placement: placement(earlier),
  });
  const letters: fc.Arbitrary<Step> = fc.record({
    id: fc.constant(id),
    kind: fc.constant('letters' as const),
    words: fc.constantFrom('Basil', 'Mint', 'Dill & Chive', 'ÄÖÜ', 'il', '8'),
    font: fc.constant('sturdy' as const),
    tallMm: tenths(3, 20),
    effect: fc.constantFrom('raised' as const, 'sunk' as const),
    byMm: tenths(0.2, 3),
    placement: placement(earlier),
  });
  return fc.oneof(extrude, hole, letters);
}

/** Valid recipes of one to six steps, each placed on an earlier one. */
export const anyRecipe: fc.Arbitrary<Recipe> = fc
  .integer({ min: 1, max: 6 })
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
  .map((steps) => ({ ...emptyRecipe(), steps }));
