import * as z from 'zod';
import { limitsCard, shownLimits, type LimitsCard, type ShownLimit } from './limits.ts';
import { said, say } from '../../words/index.ts';

/** A number on a limits card as people read it. */
export interface LimitField extends ShownLimit {
  /** The keys that lead from the card to the number. */
  readonly path: readonly (string | number)[];
}

/** The numbers that a schema says are shown, each with where it is. */
function fieldsIn(schema: z.core.$ZodType, path: LimitField['path'] = []): LimitField[] {
  const shown = shownLimits.get(schema);
  if (shown) {
    const { group, unit, words } = shown;
    return [
      {
        path,
        group,
        unit,
        get label() {
          return words.label;
        },
      },
    ];
  }
  if (schema instanceof z.ZodDefault) return fieldsIn(schema.def.innerType, path);
  if (schema instanceof z.ZodTuple)
    return schema.def.items.flatMap((item, i) => fieldsIn(item, [...path, i]));
  if (schema instanceof z.ZodObject) {
    const { shape } = schema.def as z.core.$ZodObjectDef;
    return Object.entries(shape).flatMap(([key, field]) => fieldsIn(field, [...path, key]));
  }
  return [];
}

const all = fieldsIn(limitsCard);
const groups: readonly { readonly group: ShownLimit['group']; readonly title: string }[] = said(
  [
    { group: 'printer', title: 'The printer' },
    { group: 'makes', title: 'What it can make' },
    { group: 'plastic', title: 'How plastic comes out' },
    { group: 'allows', title: 'What the class allows' },
  ],
  ['title'],
);

/** The numbers of a limits card, in the groups and the order in which they are read. */
export const limitFields: readonly { readonly title: string; readonly fields: readonly LimitField[] }[] =
  groups.map((each) => ({
    get title() {
      return each.title;
    },
    fields: all.filter(({ group }) => group === each.group),
  }));

/** What a field of the card says. */
export function limitAt(card: LimitsCard, { path }: LimitField): number {
  return path.reduce<unknown>((at, key) => (at as Record<string | number, unknown>)[key], card) as number;
}

/** The card with one of its numbers put to another value, not yet checked. */
export function withLimit(card: LimitsCard, { path }: LimitField, value: number): LimitsCard {
  const changed = structuredClone(card) as unknown as Record<string | number, unknown>;
  let at = changed;
  for (const key of path.slice(0, -1)) at = at[key] as typeof at;
  at[path.at(-1)!] = value;
  return changed as unknown as LimitsCard;
}

/** What a field of the card is called, by the keys that lead to it; the keys themselves for one that is none. */
export function limitLabel(path: readonly PropertyKey[]): string {
  const key = path.join();
  const field = all.find((each) => each.path.join() === key);
  if (path[0] === 'supports') return say('Supports');
  if (path[0] === 'layerHeightsMm') return say('Layer heights allowed');
  return field?.label ?? path.map(String).join(' › ');
}
