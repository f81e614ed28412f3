import {
  centredOn,
  downFromTop,
  emptyRecipe,
  fromPlate,
  onTop,
  type Recipe,
  type Step,
} from '../src/recipe/index.ts';

/** A seed-tray label: a plate, a hole and raised letters. */
export function label(words = 'Basil', holeMm = 4.5): Recipe {
  const steps: Step[] = [
    {
      id: 's1',
      kind: 'extrude',
      effect: 'add',
      outline: { shape: 'roundedRectangle', widthMm: 84, depthMm: 28, cornerMm: 5 },
      facing: 'up',
      depth: { type: 'by', mm: 2.6 },
      placement: centredOn(undefined, fromPlate),
    },
    {
      id: 's2',
      kind: 'hole',
      size: { by: 'diameter', mm: holeMm },
      depth: { type: 'through' },
      facing: 'up',
      placement: { ...centredOn('s1', downFromTop), x: { relation: 'inFrom', edge: 'low', mm: 7 } },
    },
    {
      id: 's3',
      kind: 'letters',
      lettering: { words, font: 'sturdy', size: { by: 'height', mm: 12 } },
      effect: 'raised',
      byMm: 1.2,
      facing: 'up',
      placement: centredOn('s1', onTop),
    },
  ];
  return { ...emptyRecipe(), steps };
}
