import type { Recipe } from '../recipe/index.ts';
import { bedSign } from './bedSign.ts';
import { caneClip } from './caneClip.ts';
import { dibber } from './dibber.ts';
import { dripPeg } from './dripPeg.ts';
import { hoseHook } from './hoseHook.ts';
import { leafBadge } from './leafBadge.ts';
import { potFoot } from './potFoot.ts';
import { potStamp } from './potStamp.ts';
import { rowToken } from './rowToken.ts';
import { seedLabel } from './seedLabel.ts';
import { weedLifter } from './weedLifter.ts';
import { windSpinner } from './windSpinner.ts';

/** A complete recipe to begin from. */
export interface Starter {
  readonly id: string;
  readonly title: string;
  readonly recipe: Recipe;
}

/** The recipes of the greenhouse kit. */
export const starters: readonly Starter[] = [
  { id: 'seed-label', title: 'Seed-tray label', recipe: seedLabel },
  { id: 'cane-clip', title: 'Cane clip', recipe: caneClip },
  { id: 'dibber', title: 'Dibber', recipe: dibber },
  { id: 'pot-foot', title: 'Pot foot', recipe: potFoot },
  { id: 'hose-hook', title: 'Hose hook', recipe: hoseHook },
  { id: 'drip-peg', title: 'Drip peg', recipe: dripPeg },
  { id: 'wind-spinner', title: 'Wind spinner', recipe: windSpinner },
  { id: 'bed-sign', title: 'Bed sign', recipe: bedSign },
  { id: 'leaf-badge', title: 'Leaf badge', recipe: leafBadge },
  { id: 'row-token', title: 'Row token', recipe: rowToken },
  { id: 'weed-lifter', title: 'Weed lifter', recipe: weedLifter },
  { id: 'pot-stamp', title: 'Pot stamp', recipe: potStamp },
];
