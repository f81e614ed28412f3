import { emptyRecipe, type Recipe, type Step } from '../src/recipe/index.ts';

/** A seed-tray label: a plate, a hole and raised letters. */
export function label(words = 'Basil'): Recipe {
  const steps: Step[] = [
    {
      id: 's1',
      kind: 'extrude',
      outline: { shape: 'roundedRectangle', widthMm: 70, depthMm: 25, cornerMm: 4 },
      upMm: 2.4,
      base: 'plate',
      placement: { on: { plate: true }, x: { relation: 'centred' }, y: { relation: 'centred' } },
    },
    {
      id: 's2',
      kind: 'hole',
      diameterMm: 4,
      depth: { type: 'through' },
      placement: {
        on: { step: 's1' },
        x: { relation: 'inFrom', edge: 'low', mm: 6 },
        y: { relation: 'centred' },
      },
    },
    {
      id: 's3',
      kind: 'letters',
      words,
      font: 'sturdy',
      tallMm: 11,
      effect: 'raised',
      byMm: 1.2,
      placement: { on: { step: 's1' }, x: { relation: 'centred' }, y: { relation: 'centred' } },
    },
  ];
  return { ...emptyRecipe(), steps };
}
