import type { Problem, Recipe } from '../recipe/index.ts';
import { partOf, type Design, type Part } from './design.ts';
import { say } from '../words/index.ts';

/** A changed design, or why the change cannot be. The design that went in is never altered. */
export type EditedDesign = { ok: true; design: Design } | { ok: false; problem: Problem };

/** The most parts that a project holds. */
const MOST_PARTS = 20;

/**
 * Adds a part at the end. Its recipe may bring measures that are marked as shared, as a copy or an opened file does;
 * they become its own, unless the project shares one of the same name already.
 */
export function addPart(
  design: Design,
  wishedName: string,
  recipe: Recipe,
): { ok: true; design: Design; partId: string } | { ok: false; problem: Problem } {
  if (design.parts.length >= MOST_PARTS)
    return refused(say('A project holds at most {most} parts: delete one first.', { most: MOST_PARTS }));
  const partId = nextId(design);
  const shared = new Set(design.measures.map((each) => each.name));
  const own = recipe.measures.flatMap(({ name, value }) => (shared.has(name) ? [] : { name, value }));
  const part: Part = { id: partId, name: freeName(design, wishedName), recipe: { ...recipe, measures: own } };
  return { ok: true, design: { ...design, parts: [...design.parts, part] }, partId };
}

/** Adds a copy of a part, right after it. */
export function copyPart(design: Design, partId: string): ReturnType<typeof addPart> {
  const { name, recipe } = partOf(design, partId);
  const added = addPart(design, name, recipe);
  if (!added.ok) return added;
  const parts = added.design.parts.slice(0, -1);
  const at = parts.findIndex(({ id }) => id === partId);
  return {
    ...added,
    design: { ...added.design, parts: parts.toSpliced(at + 1, 0, added.design.parts.at(-1)!) },
  };
}

/** Calls a part something else. */
export function renamePart(design: Design, partId: string, name: string): EditedDesign {
  const called = name.trim().slice(0, 40);
  if (called === '') return refused(say('Type a name for the part.'));
  if (design.parts.some((part) => part.id !== partId && part.name === called)) {
    return refused(say('There is a part called “{called}” already: choose another name.', { called }));
  }
  return { ok: true, design: withPart(design, { ...partOf(design, partId), name: called }) };
}

/** Takes a part out; if it was to be handed in, the first of the others is now. */
export function removePart(design: Design, partId: string): EditedDesign {
  const parts = design.parts.filter(({ id }) => id !== partId);
  if (parts.length === 0)
    return refused(say('A project has at least one part: add another before you delete this one.'));
  const chosen = design.chosen === partId ? parts[0].id : design.chosen;
  return { ok: true, design: { ...design, parts, chosen } };
}

/** Says which part is handed in. */
export function choosePart(design: Design, partId: string): Design {
  return { ...design, chosen: partOf(design, partId).id };
}

/** Whether nothing has been put into a part yet. */
export function isEmptyPart(design: Design, partId: string): boolean {
  const { recipe } = partOf(design, partId);
  return recipe.steps.length === 0 && recipe.measures.length === 0;
}

/** The design with a part in the place of the one with its id. */
export function withPart(design: Design, part: Part): Design {
  return { ...design, parts: design.parts.map((each) => (each.id === part.id ? part : each)) };
}

/** "Clip", or "Clip 2" if there is one already; after "Clip 8", the next one that is free from "Clip 9" on. */
export function freeName({ parts }: Pick<Design, 'parts'>, wished: string): string {
  const taken = new Set(parts.map(({ name }) => name));
  const plain = wished.trim().slice(0, 40) || 'Part';
  if (!taken.has(plain)) return plain;
  // A longer number is a name and no count.
  const [, stem, digits] = /^(.*?)(?: (\d{1,3}))?$/s.exec(plain)!;
  for (let number = Number(digits ?? 1) + 1; ; number++) {
    const name = `${stem.slice(0, 35)} ${number}`;
    if (!taken.has(name)) return name;
  }
}

/** The first of p1, p2, … above every number in use, so that an id is not used again after a deletion. */
function nextId({ parts }: Design): string {
  return `p${Math.max(...parts.map(({ id }) => Number(id.slice(1)))) + 1}`;
}

function refused(message: string): { ok: false; problem: Problem } {
  return { ok: false, problem: { message } };
}
