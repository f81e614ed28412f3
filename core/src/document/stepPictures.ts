import { drawPng } from '../picture/index.ts';
import { setDown } from '../mesh/index.ts';
import { stepKinds } from '../recipe/index.ts';
import { evaluate, type Workshop } from '../solid/index.ts';
import { starters } from '../starters/index.ts';
import { exampleOf } from './recipeDocument.ts';

export const PICTURE_PX = { widthPx: 320, heightPx: 220 };
const LOOK = { ...PICTURE_PX, colour: '#c9c2b2', ground: '#faf7f0' };
const MARK = '#17695b';
/** What the file is called that an import reads. */
const FILE = 'part';

/** A picture of each kind of step, by its file name: the example of its section up to it, with what is seen of it marked. */
export function stepPictures(workshop: Workshop): Map<string, Uint8Array> {
  return new Map(
    stepKinds.map(({ kind }) => {
      const { recipe, index } = exampleOf(kind);
      // A file that is read is shown by a part that Kelbrin made, alone.
      const steps = recipe.steps
        .slice(kind === 'import' ? index : 0, index + 1)
        .map((step) => (step.kind === 'import' ? { ...step, asset: FILE } : step));
      const assets = new Map([[FILE, meshOf(evaluate(starters[1].recipe, workshop))]]);
      const mesh = meshOf(evaluate({ ...recipe, steps }, workshop, { assets }));
      return [
        `${kind}.png`,
        drawPng(setDown(mesh), { ...LOOK, marked: { step: steps.length - 1, colour: MARK } }),
      ];
    }),
  );
}

function meshOf(made: ReturnType<typeof evaluate>) {
  if (!made.ok) throw new Error(made.problem.message);
  return made.mesh;
}
