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
import { say } from '../words/index.ts';

/** A complete recipe to begin from. */
export interface Starter {
  readonly id: string;
  readonly title: string;
  readonly recipe: Recipe;
}

/** The recipes of the greenhouse kit. */
export const starters: readonly Starter[] = [
  {
    id: 'seed-label',
    get title() {
      return say('Seed-tray label');
    },
    recipe: seedLabel,
  },
  {
    id: 'cane-clip',
    get title() {
      return say('Cane clip');
    },
    recipe: caneClip,
  },
  { id: 'dibber', title: 'Dibber', recipe: dibber },
  {
    id: 'pot-foot',
    get title() {
      return say('Pot foot');
    },
    recipe: potFoot,
  },
  {
    id: 'hose-hook',
    get title() {
      return say('Hose hook');
    },
    recipe: hoseHook,
  },
  {
    id: 'drip-peg',
    get title() {
      return say('Drip peg');
    },
    recipe: dripPeg,
  },
  {
    id: 'wind-spinner',
    get title() {
      return say('Wind spinner');
    },
    recipe: windSpinner,
  },
  {
    id: 'bed-sign',
    get title() {
      return say('Bed sign');
    },
    recipe: bedSign,
  },
  {
    id: 'leaf-badge',
    get title() {
      return say('Leaf badge');
    },
    recipe: leafBadge,
  },
  {
    id: 'row-token',
    get title() {
      return say('Row token');
    },
    recipe: rowToken,
  },
  {
    id: 'weed-lifter',
    get title() {
      return say('Weed lifter');
    },
    recipe: weedLifter,
  },
  {
    id: 'pot-stamp',
    get title() {
      return say('Pot stamp');
    },
    recipe: potStamp,
  },
];
