import { colourName, SAME_HEIGHT_MM } from '../colours/index.ts';
import { boundsOf, type SolidMesh } from '../mesh/index.ts';
import { canCarry, formatMeasured, type Recipe, type WishedBand } from '../recipe/index.ts';
import type { StepState } from './solidCache.ts';
import { say } from '../words/index.ts';

/** The colours of a finished part, and what there is to say of the step that wishes them. */
export interface PartColours {
  readonly bands: readonly WishedBand[];
  /** By the index of the step. */
  readonly notes: ReadonlyMap<number, readonly string[]>;
}

/**
 * From which height on the part is of which colour: as the last step wishes that wishes colours, where steps that it names
 * lie in the finished part. A colour of which there would be nothing is left out, and told.
 */
export function partColours(recipe: Recipe, states: readonly StepState[], mesh: SolidMesh): PartColours {
  const last = states.at(-1);
  const wish = last?.colours;
  const notes = new Map<number, string[]>();
  const note = (index: number, words: string) => notes.set(index, [...(notes.get(index) ?? []), words]);
  for (const { saidColours } of states) {
    if (saidColours === undefined || saidColours === wish?.index) continue;
    note(saidColours, say('A later step chooses the colours again: delete one of them.'));
  }
  if (!last || !wish || mesh.triangles.length === 0) return { bands: [], notes };
  const topMm = boundsOf(mesh).max[2];
  const bands: WishedBand[] = [{ fromMm: 0, colour: wish.first }];
  /** The other steps that add something which reaches above a height. */
  const besides = (of: number, fromMm: number): number[] =>
    recipe.steps.flatMap(({ id, kind, off }, index) => {
      const box = index === of || off || !canCarry(kind) ? undefined : last.traces.get(id)?.box;
      return box && box.max[2] > fromMm + SAME_HEIGHT_MM ? index : [];
    });
  const changes = wish.changes.map(({ from, colour }) => {
    if (from.by === 'mm') return { fromMm: from.mm, colour };
    const box = last.traces.get(from.of.step)?.box;
    const of = recipe.steps.findIndex(({ id }) => id === from.of.step);
    const fromMm = box?.[from.edge === 'low' ? 'min' : 'max'][2] ?? 0;
    return { fromMm, colour, ...(from.edge === 'low' && { beside: besides(of, fromMm) }) };
  });
  for (const change of changes.toSorted((a, b) => a.fromMm - b.fromMm)) {
    const { fromMm, colour } = change;
    const name = colourName(colour);
    if (fromMm >= topMm - SAME_HEIGHT_MM) {
      note(
        wish.index,
        say('Nothing is {name}: the part ends at {top} mm, and that begins at {from} mm.', {
          name,
          top: formatMeasured(topMm),
          from: formatMeasured(fromMm),
        }),
      );
    } else if (fromMm <= SAME_HEIGHT_MM) {
      note(
        wish.index,
        say('{name} begins at the plate, so it is the first colour.', { name: capital(name) }),
      );
      bands[0] = { ...change, fromMm: 0 };
    } else if (Math.abs(bands.at(-1)!.fromMm - fromMm) <= SAME_HEIGHT_MM) {
      note(
        wish.index,
        say('Two colours begin at {from} mm: {name} is the one that is printed.', {
          from: formatMeasured(fromMm),
          name,
        }),
      );
      bands[bands.length - 1] = change;
    } else bands.push(change);
  }
  return { bands, notes };
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
