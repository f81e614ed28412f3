import {
  addOffered,
  emptyRecipe,
  setFields,
  type FieldPath,
  type Recipe,
  type Step,
  type Wanted,
} from '../recipe/index.ts';
import { at, on, onPlate, recipeOf } from '../starters/places.ts';

/** A part that shows what an offer does, and which of its steps, by their places, are told apart as what that made. */
export interface DrawnShape {
  readonly recipe: Recipe;
  readonly isCut: boolean;
  isMade(step: number): boolean;
}

type Change = readonly [path: FieldPath, value: unknown];

const box = (
  id: string,
  widthMm: number,
  depthMm: number,
  heightMm: number,
  xMm = 0,
  turns?: { x: number; y: number; z: number },
): Step => ({
  id,
  kind: 'solid',
  effect: 'add',
  solid: { type: 'box', widthMm, depthMm, heightMm },
  turns,
  placement: onPlate({ x: at(xMm) }),
});
const wedge = (id: string, xMm: number, zDeg: number): Step => ({
  id,
  kind: 'solid',
  effect: 'add',
  solid: { type: 'wedge', widthMm: 14, depthMm: 12, heightMm: 14 },
  turns: { x: 0, y: 0, z: zDeg },
  placement: onPlate({ x: at(xMm) }),
});
const post = (id: string, xMm: number, yMm: number, zMm = 5): Step => ({
  id,
  kind: 'solid',
  effect: 'add',
  solid: { type: 'cylinder', diameterMm: 6, heightMm: 5 },
  placement: onPlate({ x: at(xMm), y: at(yMm), z: at(zMm, 'low') }),
});
const plate = recipeOf([box('s1', 30, 22, 5)]);
const block = recipeOf([box('s1', 24, 18, 11)]);
const nothing = emptyRecipe();

/** What an offer adds to a part, with some of its fields otherwise, so that it is well seen. */
function added(base: Recipe, wanted: Wanted, isCut: boolean, ...changes: Change[]): DrawnShape {
  const recipe = addOffered(base, wanted);
  const { id } = recipe.steps[recipe.steps.length - 1];
  const edited = setFields(
    recipe,
    id,
    changes.map(([path, value]) => ({ path, value })),
  );
  if (!edited.ok) throw new Error(edited.problem.message);
  return { recipe: edited.recipe, isCut, isMade: (step) => step >= base.steps.length };
}

/** Steps of which those from a place on are what was made. */
function shown(steps: Step[], from: number): DrawnShape {
  return { recipe: recipeOf(steps), isCut: false, isMade: (step) => step >= from };
}

function lettered(wanted: Wanted, isCut: boolean, byMm: number): DrawnShape {
  const size: Change = [['lettering', 'size', 'mm'], 13];
  return added(plate, wanted, isCut, [['lettering', 'words'], 'Aa'], size, [['byMm'], byMm]);
}

/** By the ids of offers. What is made of a whole part is shown beside what it was. */
const shapes: Readonly<Partial<Record<string, (wanted: Wanted) => DrawnShape>>> = {
  shape: (wanted) => added(nothing, wanted, false, [['depth', 'mm'], 16]),
  cutShape: (wanted) => added(recipeOf([box('s1', 19, 15, 4)]), wanted, true),
  sinkShape: (wanted) => added(recipeOf([box('s1', 19, 15, 4)]), wanted, true, [['depth', 'mm'], 1.5]),
  letters: (wanted) => lettered(wanted, false, 3),
  sunkLetters: (wanted) => lettered(wanted, true, 2),
  solid: (wanted) => added(nothing, wanted, false),
  cutSolid: (wanted) => added(recipeOf([box('s1', 14, 12, 6)]), wanted, true),
  turned: (wanted) => added(nothing, wanted, false),
  sweep: (wanted) =>
    added(
      recipeOf([box('s1', 30, 22, 3)]),
      wanted,
      false,
      [['of', 'lettering', 'words'], 'A'],
      [['of', 'lettering', 'size', 'mm'], 14],
      [['heightMm'], 16],
      [['leanDeg'], 40],
    ),
  eyelet: (wanted) => added(plate, wanted, false, [['holeMm'], 7], [['wallMm'], 3.5], [['thickMm'], 4]),
  import: () =>
    shown(
      [post('s1', 0, 0, 0), { ...post('s2', 0, 0, 5), solid: { type: 'ball', diameterMm: 9 } } as Step],
      0,
    ),
  hole: (wanted) =>
    added(
      plate,
      wanted,
      true,
      ...(wanted.variant === 'screw'
        ? ([
            [['size', 'screw'], 'M8'],
            [['rim'], { type: 'countersink', acrossMm: 15 }],
          ] as Change[])
        : ([[['size', 'mm'], 11]] as Change[])),
      [['placement', 'x'], { relation: 'centred' }],
    ),
  trim: (wanted) => added(block, wanted, false, [['away'], 'above'], [['atMm'], 6], [['tiltDeg'], 25]),
  edges: (wanted) => added(block, wanted, false, [['which'], 'upper'], [['mm'], 4]),
  repeat(wanted) {
    const isRound = wanted.variant === 'around';
    const base = recipeOf([
      isRound
        ? ({ ...post('s1', 0, 0, 0), solid: { type: 'cylinder', diameterMm: 32, heightMm: 4 } } as Step)
        : box('s1', 34, 24, 4),
      isRound ? post('s2', -11, 0, 4) : post('s2', -11, -6, 4),
    ]);
    const changes: Change[] = [[['of'], [{ step: 's2' }]]];
    if (wanted.variant === 'grid') changes.push([['pattern', 'columnMm'], 11], [['pattern', 'rowMm'], 12]);
    else if (wanted.variant === 'around' || wanted.variant === 'mirror')
      changes.push([['pattern', 'about'], { step: 's1' }]);
    else changes.push([['pattern', 'stepMm'], 11]);
    return { ...added(base, wanted, false, ...changes), isMade: (step) => step > 0 };
  },
  sizes(wanted) {
    const cup = {
      ...post('s1', 0, 0, 0),
      solid: { type: 'cylinder', diameterMm: { formula: 'a' }, heightMm: { formula: 'a' } },
    } as Step;
    return {
      ...added(
        recipeOf([cup], [{ name: 'a', value: 8 }]),
        wanted,
        false,
        [['of'], { measure: 'a' }],
        [['values'], { by: 'growth', count: 3, more: 4 }],
        [['apartMm'], 2],
      ),
      isMade: () => true,
    };
  },
  setDown: () => shown([box('s1', 16, 12, 9, -12, { x: 0, y: -25, z: 0 }), box('s2', 16, 12, 9, 12)], 1),
  scale: () => shown([box('s1', 8, 8, 6, -12), box('s2', 18, 18, 13.5, 6)], 1),
  mirror: () => shown([wedge('s1', -9, 180), wedge('s2', 9, 0)], 1),
  taper: () =>
    shown(
      [
        {
          id: 's1',
          kind: 'extrude',
          effect: 'add',
          outline: { shape: 'roundedRectangle', widthMm: 24, depthMm: 20, cornerMm: 2 },
          facing: 'up',
          depth: { type: 'by', mm: 16 },
          taperDeg: 18,
          placement: onPlate(),
        },
      ],
      0,
    ),
  colours: () =>
    shown(
      [
        box('s1', 24, 18, 4),
        {
          id: 's2',
          kind: 'extrude',
          effect: 'add',
          outline: { shape: 'heart', widthMm: 13 },
          facing: 'up',
          depth: { type: 'by', mm: 3 },
          placement: on('s1'),
        },
      ],
      1,
    ),
};

/** The part that is drawn for an offer: on a plate as it is new, where nothing else is said above. */
export function drawnShape(wanted: Wanted): DrawnShape {
  return shapes[wanted.offer]?.(wanted) ?? added(plate, wanted, false);
}
