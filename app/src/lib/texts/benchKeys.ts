import { said } from '@kelbrin/core/words';

/** The keys of the bench, and what they do. */
export const benchKeys: readonly (readonly [string, string])[] = said([
  ['Tab, Shift + Tab', 'from field to field, from sentence to sentence'],
  ['↑ ↓ in a number', 'a little more or less; with Shift ten times as much, with Alt a tenth'],
  ['Enter', 'takes what was typed; Escape leaves the number as it was'],
  ['↑ ↓ on a step’s grip', 'moves the step'],
  ['Ctrl + Z, Ctrl + Y', 'undo, redo'],
  ['← → ↑ ↓ on the plan', 'moves the marked step by 1 mm; with Shift 10, with Alt 0.1'],
  ['A', 'what can be added; type a word for it, Enter takes the first'],
  ['P', 'plan or solid large'],
  ['1 2 3 4', 'view from the top, front, side, corner'],
  ['E, P in a drawing', 'marks the next edge or point; with Shift one more'],
  ['digits in a drawing', 'how long the next line is'],
  ['+ − 0 in a drawing', 'closer, farther, all of it'],
  ['Delete in a drawing', 'takes the marked point out; Escape ends drawing'],
  ['↑ ↓ on the height ruler', 'raises and lowers the cut; Escape closes it'],
  ['?', 'this list'],
]);
