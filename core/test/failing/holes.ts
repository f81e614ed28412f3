import { block } from '../block.ts';
import { recipeWith, stepOf } from '../evaluated.ts';
import { letters, onTop, slab, within, type FailingRecipe } from './failing.ts';

const hole = (id: string, mm: number, more = {}) =>
  stepOf('hole', id, 's1', { size: { by: 'diameter', mm }, ...more });
const inFromLeft = (mm: number) => ({
  placement: within('s1', { x: { relation: 'inFrom', edge: 'low', mm } }),
});

/** Holes that close up, break out or hang. */
export const failingHoles: readonly FailingRecipe[] = [
  {
    name: 'a hole of Ø 1.5',
    recipe: recipeWith([block, hole('s2', 1.5)]),
    asked: 'hole',
    teacher: 'Make it Ø 2.2, so that it does not only just pass.',
    says: /^In step 2, make the diameter ([\d.]+) mm$/,
    between: [2.1, 2.4],
  },
  {
    name: 'a hole of Ø 1.5 where the brief asks for Ø 3',
    recipe: recipeWith([block, hole('s2', 1.5)]),
    brief: { requirements: [{ kind: 'hole', reach: 'through', atLeastMm: 3 }] },
    asked: 'hole',
    teacher: 'Make it what the brief asks, Ø 3; Ø 2.2 is no help.',
    says: /^In step 2, make the diameter ([\d.]+) mm$/,
    between: [3, 3.3],
  },
  {
    name: 'a hole close to an edge',
    recipe: recipeWith([block, hole('s2', 4, inFromLeft(2.4))]),
    asked: 'hole',
    teacher: 'Move it in from the edge; it keeps its size.',
    says: /^In step 2, make the distance from the left ([\d.]+) mm$/,
    between: [2.9, 3.3],
  },
  {
    name: 'a six-sided hole of 1.4 mm',
    recipe: recipeWith([
      block,
      stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: { shape: 'polygon', sides: 6, across: 'flats', acrossMm: 1.4 },
        depth: { type: 'through' },
        placement: within('s1'),
      }),
    ]),
    asked: 'hole',
    teacher: 'Make it 2.2 mm across.',
    says: /^In step 2, make the .*(?:across|flats|size).* ([\d.]+) mm$/,
    between: [2.1, 2.4],
  },
  {
    name: 'two holes with a thin wall between them',
    recipe: recipeWith([block, hole('s2', 6, inFromLeft(10)), hole('s3', 6, inFromLeft(16.5))]),
    asked: 'hole',
    teacher: 'Move one of them away from the other.',
    says: /^In step [23], make the distance from the left ([\d.]+) mm$/,
    between: [9, 17.5],
  },
  {
    name: 'an eyelet with a hole of Ø 1.2',
    recipe: recipeWith([
      slab('s1', [40, 20, 3]),
      stepOf('eyelet', 's2', 's1', { holeMm: 1.2, wallMm: 2.5, thickMm: 3 }),
    ]),
    asked: 'hole',
    teacher: 'Give the eyelet a hole of Ø 2.2.',
    says: /^In step 2, make the diameter of the hole ([\d.]+) mm$/,
    between: [2.1, 2.4],
  },
  {
    name: 'a row of holes that are too close',
    recipe: recipeWith([
      slab('s1', [80, 20, 4]),
      hole('s2', 5, inFromLeft(10)),
      stepOf('repeat', 's3', undefined, {
        of: [{ step: 's2' }],
        pattern: { type: 'row', axis: 'x', count: 5, stepMm: 5.5 },
      }),
    ]),
    asked: 'hole',
    teacher: 'Space them further apart: 6 mm from one to the next.',
    says: /^In step 3, make the distance from one to the next ([\d.]+) mm$/,
    between: [5.9, 6.5],
  },
  {
    name: 'a wide hole lying in a block with letters on its top',
    recipe: recipeWith([
      slab('s1', [40, 20, 40]),
      letters('AB', 10),
      stepOf('hole', 's3', 's1', {
        size: { by: 'diameter', mm: 24 },
        facing: 'front',
        placement: within('s1', {
          y: { relation: 'inFrom', edge: 'low', mm: 0 },
          z: { relation: 'centred' },
        }),
      }),
      // A tray below and a rail behind, so that no other side is flat.
      slab('s4', [70, 60, 3]),
    ]),
    asked: 'overhang',
    teacher: 'Let the hole close like a drop; a round one of that width sags.',
    says: /^In step 3, let the hole close with a sloping roof$/,
  },
  {
    name: 'a cup for a pencil that is bored too thin',
    recipe: recipeWith([
      slab('s1', [12, 12, 20]),
      stepOf('hole', 's2', 's1', {
        size: { by: 'diameter', mm: 11 },
        depth: { type: 'blind', mm: 17 },
        placement: within('s1'),
      }),
    ]),
    asked: 'hole',
    teacher: 'Make the block wider: the pencil needs its hole.',
    says: /^In step 1, make the width ([\d.]+) mm and the depth [\d.]+ mm$/,
    between: [12.5, 14],
  },
  {
    name: 'a rod through a slab with a hole that leaves a thin floor',
    recipe: recipeWith([
      slab('s1', [30, 30, 6]),
      stepOf('hole', 's2', 's1', {
        size: { by: 'diameter', mm: 8 },
        depth: { type: 'blind', mm: 5.6 },
        placement: within('s1'),
      }),
      slab('s3', [6, 6, 4], onTop('s1', { x: { relation: 'inFrom', edge: 'low', mm: 2 } })),
    ]),
    asked: 'wall',
    teacher: 'Do not bore so deep.',
    says: /^In step 2, make the depth of the hole ([\d.]+) mm$/,
    between: [4.8, 5.1],
  },
];
