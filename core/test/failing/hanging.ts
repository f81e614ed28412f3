import { block } from '../block.ts';
import { recipeWith, stepOf } from '../evaluated.ts';
import { disc, letters, onTop, slab, tunnel, within, type FailingRecipe } from './failing.ts';

const balcony = slab(
  's2',
  [20, 20, 4],
  onTop('s1', {
    x: { relation: 'beside', edge: 'high', overlapMm: 0 },
    z: { relation: 'inFrom', edge: 'high', mm: 0 },
  }),
);

/** Overhangs, bridges and beginnings in mid-air. */
export const failingHanging: readonly FailingRecipe[] = [
  {
    name: 'a table on one leg',
    recipe: recipeWith([slab('s1', [12, 12, 10]), slab('s2', [40, 40, 4], onTop('s1'))]),
    asked: 'overhang',
    teacher: 'Print it upside down, on its large face.',
    says: /^Lay it on its top$/,
  },
  {
    name: 'a table on four legs',
    recipe: recipeWith([
      slab('s1', [5, 5, 20], {
        on: { plate: true },
        x: { relation: 'at', own: 'middle', mm: -20 },
        y: { relation: 'at', own: 'middle', mm: -20 },
        z: { relation: 'at', own: 'low', mm: 0 },
      }),
      stepOf('repeat', 's2', undefined, {
        of: [{ step: 's1' }],
        pattern: { type: 'grid', columns: 2, columnMm: 40, rows: 2, rowMm: 40 },
      }),
      slab('s3', [50, 50, 3], {
        on: { plate: true },
        x: { relation: 'centred' },
        y: { relation: 'centred' },
        z: { relation: 'at', own: 'low', mm: 19.5 },
      }),
    ]),
    asked: 'overhang',
    teacher: 'Print it upside down, on its large face.',
    says: /^Lay it on its top$/,
  },
  {
    name: 'a knob with a ledge of 1.5 mm',
    recipe: recipeWith(
      [disc('s1', 20, 10), disc('s2', 23, 8, onTop('s1')), letters('A', 10, { placement: onTop('s2') })].map(
        (step, i) => ({ ...step, id: `s${i + 1}` }),
      ),
    ),
    asked: 'overhang',
    teacher: 'Chamfer the ledge from below, by about what it reaches out.',
    says: /^In step 2, chamfer the bottom edge ([\d.]+) mm$/,
    between: [1, 1.5],
  },
  {
    name: 'an arm that reaches out from a post on a foot',
    recipe: recipeWith([
      slab('s1', [60, 40, 3]),
      slab('s2', [10, 10, 30], onTop('s1', { x: { relation: 'inFrom', edge: 'low', mm: 8 } })),
      slab(
        's3',
        [24, 10, 5],
        onTop('s2', {
          x: { relation: 'beside', edge: 'high', overlapMm: 0 },
          z: { relation: 'inFrom', edge: 'high', mm: 0 },
        }),
      ),
      slab('s4', [10, 40, 10], onTop('s1', { x: { relation: 'inFrom', edge: 'high', mm: 0 } })),
    ]),
    asked: 'overhang',
    teacher: 'Support its end with a wall that is broken off later.',
    says: /^Add (?:a wall|2 walls|3 walls) of [\d.]+ mm under it$/,
  },
  {
    name: 'a pot that widens by 55°',
    recipe: recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: { shape: 'circle', diameterMm: 20 },
        depth: { type: 'by', mm: 10 },
        taperDeg: -55,
      }),
      stepOf('letters', 's2', 's1', {
        lettering: { words: 'A', font: 'sturdy', size: { by: 'height', mm: 9 } },
      }),
    ]),
    asked: 'overhang',
    teacher: 'Let it widen by a little less than 45°.',
    says: /^In step 1, (?:let it lean by|make the taper) (?:−)?([\d.]+)°/,
    between: [40, 45],
  },
  {
    name: 'a funnel with its wide end up',
    recipe: recipeWith([
      stepOf('solid', 's1', undefined, {
        solid: { type: 'cone', diameterMm: 10, topMm: 40, heightMm: 10 },
      }),
    ]),
    asked: 'overhang',
    teacher: 'Turn it over: the wide end belongs on the plate.',
    says: /^Lay it on its top$/,
  },
  {
    name: 'a shelf on an upright wall',
    recipe: recipeWith([slab('s1', [4, 20, 30]), balcony]),
    asked: 'overhang',
    teacher: 'Lay it on its back, or on its side, where the angle is drawn flat.',
    says: /^Lay it on its (?:left side|front|back)$/,
  },
  {
    name: 'a ball on the plate',
    recipe: recipeWith([stepOf('solid', 's1', undefined, { solid: { type: 'ball', diameterMm: 30 } })]),
    asked: 'overhang',
    teacher: 'Cut a flat under it, where it leans by 45°.',
    says: /^Trim off the lowest ([\d.]+) mm/,
    between: [4.2, 5.5],
  },
  {
    name: 'a lying rod',
    recipe: recipeWith([
      stepOf('extrude', 's1', undefined, {
        outline: { shape: 'circle', diameterMm: 12 },
        facing: 'front',
        depth: { type: 'by', mm: 80 },
      }),
    ]),
    asked: 'overhang',
    teacher: 'Cut a flat along it; upright it would be too slender.',
    says: /^Trim off the lowest ([\d.]+) mm/,
    between: [1.6, 2.2],
  },
  {
    name: 'letters on the front of an upright sign',
    recipe: recipeWith([
      slab('s1', [60, 4, 30]),
      stepOf('letters', 's2', 's1', {
        lettering: { words: 'HOME', font: 'sturdy', size: { by: 'height', mm: 12 } },
        byMm: 3,
        facing: 'front',
        placement: {
          on: { step: 's1' },
          x: { relation: 'centred' },
          y: { relation: 'beside', edge: 'low', overlapMm: 0 },
          z: { relation: 'centred' },
        },
      }),
    ]),
    asked: 'overhang',
    teacher: 'Lay it on its back.',
    says: /^Lay it on its (?:back)/,
  },
  {
    name: 'a wide tunnel through a block',
    recipe: recipeWith([slab('s1', [40, 30, 14]), tunnel('s2', 22, 8)]),
    asked: 'bridge',
    teacher: 'Turn it over, or lay it on its front: nothing of it changes.',
    says: /^Lay it on its (?:top|front|back|face of (?:384|1200) mm²)/,
  },
  {
    name: 'a gate that stands on a broad foot',
    recipe: recipeWith(
      [
        slab('s1', [44, 12, 40]),
        slab('s2', [80, 60, 3]),
        tunnel('s3', 24, 30, {
          placement: within('s1', {
            y: { relation: 'inFrom', edge: 'low', mm: 0 },
            z: { relation: 'inFrom', edge: 'low', mm: 3 },
          }),
        }),
        letters('A', 6, { placement: onTop('s1') }),
      ].map((step, i) => ({ ...step, id: `s${i + 1}` })),
    ),
    asked: 'bridge',
    teacher: 'Give the gate sloping corners, as an arch has.',
    says: /^In step 3, slope the top corners of the opening/,
  },
  {
    name: 'a tunnel that is half a millimetre too wide, under a foot',
    recipe: recipeWith([
      slab('s1', [30, 12, 20]),
      slab('s2', [60, 40, 3]),
      tunnel('s3', 10.5, 10, {
        placement: within('s1', {
          y: { relation: 'inFrom', edge: 'low', mm: 0 },
          z: { relation: 'inFrom', edge: 'low', mm: 3 },
        }),
      }),
    ]),
    asked: 'bridge',
    teacher: 'Make it 9.4 mm wide; that is hardly another shape.',
    says: /^In step 3, make the width ([\d.]+) mm$/,
    between: [9, 10],
  },
  {
    name: 'a pocket in the underside',
    recipe: recipeWith([
      slab('s1', [40, 40, 10]),
      stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: { shape: 'roundedRectangle', widthMm: 24, depthMm: 24, cornerMm: 0 },
        facing: 'down',
        depth: { type: 'by', mm: 4 },
        placement: within('s1', { z: { relation: 'inFrom', edge: 'low', mm: 0 } }),
      }),
    ]),
    asked: 'bridge',
    teacher: 'Turn it over.',
    says: /^Lay it on its top$/,
  },
  {
    name: 'a shelf unit that is open to the front',
    recipe: recipeWith([
      slab('s1', [50, 30, 40]),
      stepOf('extrude', 's2', 's1', {
        effect: 'cut',
        outline: { shape: 'roundedRectangle', widthMm: 44, depthMm: 34, cornerMm: 0 },
        facing: 'front',
        depth: { type: 'by', mm: 27 },
        placement: within('s1', {
          y: { relation: 'inFrom', edge: 'low', mm: 0 },
          z: { relation: 'centred' },
        }),
      }),
    ]),
    asked: 'bridge',
    teacher: 'Lay it on its back, with the opening up.',
    says: /^Lay it on its (?:back)/,
  },
  {
    name: 'a hook whose tip points down',
    recipe: recipeWith([
      slab('s1', [6, 8, 30]),
      slab(
        's2',
        [16, 8, 4],
        onTop('s1', {
          x: { relation: 'beside', edge: 'high', overlapMm: 6 },
          z: { relation: 'inFrom', edge: 'high', mm: 0 },
        }),
      ),
      slab('s3', [4, 8, 10], {
        on: { step: 's2' },
        x: { relation: 'inFrom', edge: 'high', mm: 0 },
        y: { relation: 'centred' },
        z: { relation: 'beside', edge: 'low', overlapMm: 0 },
      }),
    ]),
    asked: 'island',
    teacher: 'Lay it on its side.',
    says: /^Lay it on its (?:front|back)/,
  },
  {
    name: 'one leg that is shorter than the others',
    recipe: recipeWith([
      block,
      slab('s2', [5, 30, 12], {
        on: { step: 's1' },
        x: { relation: 'beside', edge: 'low', overlapMm: -2 },
        y: { relation: 'centred' },
        z: { relation: 'at', own: 'low', mm: 2 },
      }),
      slab('s3', [12, 30, 4], {
        on: { step: 's1' },
        x: { relation: 'beside', edge: 'low', overlapMm: 5 },
        y: { relation: 'centred' },
        z: { relation: 'beside', edge: 'high', overlapMm: 0 },
      }),
    ]),
    asked: 'island',
    teacher: 'Let it begin on the plate.',
    says: /^In step 2, make the .* (0) mm$/,
    between: [0, 0],
  },
];
