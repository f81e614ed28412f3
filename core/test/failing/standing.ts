import { block } from '../block.ts';
import { recipeWith, stepOf } from '../evaluated.ts';
import { disc, letters, onTop, slab, within, type FailingRecipe } from './failing.ts';

/** What does not stand, does not fit, or is not what the brief asks; and where several things fail. */
export const failingStanding: readonly FailingRecipe[] = [
  {
    name: 'a coin on its edge',
    recipe: recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: { shape: 'circle', diameterMm: 30 },
        facing: 'front',
        depth: { type: 'by', mm: 4 },
      }),
    ]),
    asked: 'base',
    teacher: 'Lay it flat.',
    says: /^Lay it on its (?:front|back)/,
  },
  {
    name: 'a thin pin on a block',
    recipe: recipeWith([block, disc('s2', 3, 20, onTop('s1'))]),
    asked: 'stability',
    teacher: 'Make the pin thicker, or a little shorter.',
    says: /^In step 2, make the (?:diameter|height) ([\d.]+) mm$/,
    between: [4, 15],
  },
  {
    name: 'a sign that stands on its edge',
    recipe: recipeWith([slab('s1', [40, 3, 70])]),
    asked: 'stability',
    teacher: 'Lay it down.',
    says: /^Lay it on its (?:front|back)/,
  },
  {
    name: 'a rule that is too long for the plate',
    recipe: recipeWith([slab('s1', [240, 30, 5])]),
    asked: 'size',
    teacher: 'Turn it on the plate, corner to corner.',
    says: /^Turn it by ([\d.]+)° on the plate$/,
    between: [30, 60],
  },
  {
    name: 'a strip that fits in no way',
    recipe: recipeWith([slab('s1', [320, 30, 5])]),
    asked: 'size',
    teacher: 'Make it shorter; scaling all of it would make it thin.',
    says: /^In step 1, make the width ([\d.]+) mm$/,
    between: [180, 220],
  },
  {
    name: 'a tower that is too tall',
    recipe: recipeWith([slab('s1', [40, 40, 190])]),
    asked: 'size',
    teacher: 'Lay it down: it keeps its size.',
    says: /^Lay it on its (?:front|back|left|right)/,
  },
  {
    name: 'letters that are smaller than the brief asks',
    recipe: recipeWith([slab('s1', [70, 30, 3]), letters('Mint', 7.5)]),
    brief: { requirements: [{ kind: 'letters', tallMm: 9 }] },
    asked: 'brief',
    teacher: 'Make the letters 9 mm tall.',
    says: /^In step 2, make the letter height ([\d.]+) mm$/,
    between: [9, 9.6],
  },
  {
    name: 'a hole that the object of the brief does not fit into',
    recipe: recipeWith([
      block,
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 6 }, placement: within('s1') }),
    ]),
    brief: { requirements: [{ kind: 'object', acrossMm: 6, fit: 'sliding' }] },
    asked: 'brief',
    teacher: 'Size the hole to the object, with the play of a sliding fit.',
    says: /^In step 2, size the hole to fit an object of Ø (6) mm, sliding$/,
    between: [6, 6],
  },
  {
    name: 'a part larger than the brief allows',
    recipe: recipeWith([slab('s1', [64, 30, 4])]),
    brief: { requirements: [{ kind: 'box', sizeMm: [60, 40, 10] }] },
    asked: 'brief',
    teacher: 'Make it 60 mm wide.',
    says: /^In step 1, make the width ([\d.]+) mm$/,
    between: [55, 60],
  },
  {
    name: 'sharp corners where the brief wants them rounded',
    recipe: recipeWith([slab('s1', [40, 30, 4])]),
    brief: { requirements: [{ kind: 'rounded' }] },
    asked: 'brief',
    teacher: 'Round its corners or its top edge.',
    says: /^In step 1, round the (?:corners|top edge)(?: and the top edge)? by ([\d.]+) mm$/,
    between: [1, 3],
  },
  {
    name: 'a thin plate with a small hole',
    recipe: recipeWith([
      slab('s1', [40, 20, 0.6]),
      stepOf('hole', 's2', 's1', { size: { by: 'diameter', mm: 1.4 } }),
    ]),
    asked: 'wall',
    teacher: 'Both at once: a plate of 1 mm and a hole of Ø 2.2.',
    says: /^In step 1, make the height ([\d.]+) mm\. In step 2, make the diameter [\d.]+ mm$/,
    between: [0.95, 1.2],
  },
  {
    name: 'low letters beside a hole at the edge',
    recipe: recipeWith([
      slab('s1', [60, 30, 3]),
      letters('Mint', 10, { byMm: 0.3 }),
      stepOf('hole', 's3', 's1', {
        size: { by: 'diameter', mm: 4 },
        placement: within('s1', { x: { relation: 'inFrom', edge: 'low', mm: 2.3 } }),
      }),
    ]),
    asked: 'relief',
    teacher: 'Both at once: letters higher, hole further in.',
    says: /^In step 2, make the raised by ([\d.]+) mm\. In step 3, make the distance from the left [\d.]+ mm$/,
    between: [0.6, 0.8],
  },
  {
    name: 'a shelf on a wall with a hole that is too small',
    recipe: recipeWith([
      slab('s1', [4, 20, 30]),
      slab(
        's2',
        [20, 20, 4],
        onTop('s1', {
          x: { relation: 'beside', edge: 'high', overlapMm: 0 },
          z: { relation: 'inFrom', edge: 'high', mm: 0 },
        }),
      ),
      stepOf('hole', 's3', 's2', { size: { by: 'diameter', mm: 1.5 }, placement: within('s2') }),
    ]),
    asked: 'hole',
    teacher: 'Both at once: a hole of Ø 2.2, and the part on its side.',
    says: /^In step 3, make the diameter ([\d.]+) mm\. Lay it on its (?:left side|front|back)$/,
    between: [2.1, 2.4],
  },
];
