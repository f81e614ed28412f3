import type { FilamentColour } from '@kelbrin/core/colours';
import {
  centredOn,
  downFromTop,
  emptyRecipe,
  fromPlate,
  onTop,
  type Recipe,
  type Step,
} from '@kelbrin/core/recipe';

/** What differs from one seed-tray label to the next. */
export interface Label {
  readonly words: string;
  readonly widthMm?: number;
  readonly depthMm?: number;
  readonly thickMm?: number;
  readonly holeMm?: number;
  readonly tallMm?: number;
  readonly reliefMm?: number;
  /** How far the letters begin in from the left; centred when left out. */
  readonly lettersInMm?: number;
  readonly sunk?: boolean;
  /** The colour of the letters, on leaf green; the whole is of any one colour when left out. */
  readonly lettersIn?: FilamentColour;
}

/** The recipe of a seed-tray label: a rounded plate, a hole for the string, and the plant's name. */
export function labelRecipe(label: Label): Recipe {
  const {
    words,
    widthMm = 84,
    depthMm = 28,
    thickMm = 2.6,
    holeMm = 4.5,
    tallMm = 12,
    reliefMm = 1.2,
  } = label;
  return {
    ...emptyRecipe(),
    steps: [
      plate(widthMm, depthMm, thickMm),
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
        lettering: { words, font: 'sturdy', size: { by: 'height', mm: tallMm } },
        effect: label.sunk ? 'sunk' : 'raised',
        byMm: reliefMm,
        facing: 'up',
        placement: {
          ...centredOn('s1', onTop),
          x:
            label.lettersInMm === undefined
              ? { relation: 'centred' }
              : { relation: 'inFrom', edge: 'low', mm: label.lettersInMm },
        },
      },
      ...(label.lettersIn ? [coloursOf(label.lettersIn)] : []),
    ],
  };
}

/** The plate in leaf green, and from the letters on in another colour. */
function coloursOf(letters: FilamentColour): Step {
  const from = { by: 'step', of: { step: 's3' }, edge: 'low' } as const;
  return { id: 's4', kind: 'colours', first: 'leafGreen', changes: [{ from, colour: letters }] };
}

/** What every project of the brief begins with: the bare plate. */
export function labelStarter(): Recipe {
  return { ...emptyRecipe(), steps: [plate(84, 28, 2.6)] };
}

function plate(widthMm: number, depthMm: number, upMm: number): Recipe['steps'][number] {
  return {
    id: 's1',
    kind: 'extrude',
    effect: 'add',
    outline: { shape: 'roundedRectangle', widthMm, depthMm, cornerMm: 5 },
    facing: 'up',
    depth: { type: 'by', mm: upMm },
    placement: centredOn(undefined, fromPlate),
  };
}
