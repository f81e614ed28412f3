import { block } from '../block.ts';
import { recipeWith, stepOf } from '../evaluated.ts';
import { letters, onTop, slab, within, type FailingRecipe } from './failing.ts';

/** Walls, gaps, letters and joints that are too fine. */
export const failingThin: readonly FailingRecipe[] = [
  {
    name: 'a fin of 0.6 mm on a block',
    recipe: recipeWith([block, slab('s2', [20, 0.6, 3], onTop('s1'))]),
    asked: 'wall',
    teacher: 'Make the fin 1 mm thick.',
    says: /^In step 2, make the depth ([\d.]+) mm$/,
    between: [0.95, 1.2],
  },
  {
    name: 'a plate of 0.6 mm',
    recipe: recipeWith([slab('s1', [30, 20, 0.6])]),
    asked: 'wall',
    teacher: 'Make the plate 1 mm thick.',
    says: /^In step 1, make the height ([\d.]+) mm$/,
    between: [0.95, 1.2],
  },
  {
    name: 'a ring with a wall of 0.5 mm',
    recipe: recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: { shape: 'ring', outerMm: 30, innerMm: 29 },
        depth: { type: 'by', mm: 8 },
      }),
    ]),
    asked: 'wall',
    teacher: 'Make it thicker, to the inside or the outside.',
    says: /^In step 1, make the (?:inner|outer) diameter ([\d.]+) mm$/,
    between: [27.5, 31.5],
  },
  {
    name: 'letters 4 mm tall on a large plate',
    recipe: recipeWith([slab('s1', [80, 30, 3]), letters('Basil', 4)]),
    asked: 'wall',
    teacher: 'Write larger, as large as it has to be.',
    says: /^In step 2, make the letter height ([\d.]+) mm$/,
    between: [4.9, 9],
  },
  {
    name: 'fine handwriting on a plate that is full',
    recipe: recipeWith([slab('s1', [27, 12, 3]), letters('Mint', 9, {}, { font: 'script' })]),
    asked: 'wall',
    teacher: 'There is no room for larger letters: write in a bolder font.',
    says: /^In step 2, write in \w+/,
  },
  {
    name: 'letters set too tightly',
    recipe: recipeWith([slab('s1', [90, 30, 3]), letters('HILL', 12, {}, { spacingMm: -2.3 })]),
    asked: 'gap',
    teacher: 'Space the letters further apart.',
    says: /^In step 2, (?:space the letters by|make the space between letters) ([−\d.]+) mm$/,
  },
  {
    name: 'letters raised by 0.3 mm',
    recipe: recipeWith([slab('s1', [60, 30, 3]), letters('Mint', 10, { byMm: 0.3 })]),
    asked: 'relief',
    teacher: 'Raise them by 0.7 mm.',
    says: /^In step 2, make the raised by ([\d.]+) mm$/,
    between: [0.6, 0.8],
  },
  {
    name: 'letters that run off the plate',
    recipe: recipeWith([slab('s1', [60, 20, 3]), letters('Rosemary', 12)]),
    asked: 'relief',
    teacher: 'Write smaller, so that the word fits the plate.',
    says: /^In step 2, (?:centre the letters in what is free, ([\d.]+) mm (?:tall|wide)|make the letter height ([\d.]+) mm)$/,
    between: [6.7, 9],
  },
  {
    name: 'a slit of 0.25 mm',
    recipe: recipeWith([
      block,
      stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: { shape: 'roundedRectangle', widthMm: 20, depthMm: 0.25, cornerMm: 0 },
        depth: { type: 'through' },
        placement: within('s1'),
      }),
    ]),
    asked: 'gap',
    teacher: 'Make the slit 0.5 mm wide.',
    says: /^In step 2, make the depth ([\d.]+) mm$/,
    between: [0.42, 0.6],
  },
  {
    name: 'two prongs that nearly touch',
    recipe: recipeWith([
      block,
      slab('s2', [6, 10, 12], onTop('s1', { x: { relation: 'inFrom', edge: 'low', mm: 10 } })),
      slab('s3', [6, 10, 12], onTop('s1', { x: { relation: 'inFrom', edge: 'low', mm: 16.2 } })),
    ]),
    asked: 'gap',
    teacher: 'Move one of the prongs a little away.',
    says: /^In step [23], make the distance from the left ([\d.]+) mm$/,
    between: [9.3, 16.8],
  },
  {
    name: 'two blocks that do not quite meet',
    recipe: recipeWith([
      block,
      slab(
        's2',
        [10, 10, 10],
        onTop('s1', {
          x: { relation: 'beside', edge: 'high', overlapMm: -0.6 },
          z: { relation: 'at', own: 'low', mm: 0 },
        }),
      ),
    ]),
    asked: 'bodies',
    teacher: 'Let them overlap.',
    says: /^In step 2, make the overlap at the right ([\d.]+) mm$/,
    between: [0, 1.5],
  },
  {
    name: 'two tiles that meet at a corner',
    recipe: recipeWith([
      slab('s1', [30, 30, 8]),
      slab('s2', [20, 20, 8], {
        on: { step: 's1' },
        x: { relation: 'beside', edge: 'high', overlapMm: 0.4 },
        y: { relation: 'beside', edge: 'high', overlapMm: 0.4 },
        z: { relation: 'at', own: 'low', mm: 0 },
      }),
    ]),
    asked: 'bodies',
    teacher: 'Let them overlap by more.',
    says: /^In step 2, make the overlap at the (?:right|back) ([\d.]+) mm$/,
    between: [0.6, 4.5],
  },
];
