import { setFields, type Step } from '../../recipe/index.ts';
import type { Proposal, Remedy, RemedyKind } from '../remedy.ts';
import { numbered } from './words.ts';
import { say } from '../../words/index.ts';

/** Radii to try, the smallest first, mm, and what a millimetre costs. */
const RADII_MM = [1, 2, 3];
const PER_MM = 0.05;

type Extruded = Extract<Step, { kind: 'extrude' }>;

/** What can be rounded: the corners of the outline, its top edge, or both in one sentence. */
const ways: readonly {
  readonly cost: number;
  fields(step: Extruded, mm: number): { path: string[]; value: unknown }[];
  words(step: string, mm: number): string;
}[] = [
  {
    cost: 1.1,
    fields: (step, mm) => [corners(step, mm)],
    words: (step, mm) => say('{step}, round the corners by {mm} mm', { step, mm }),
  },
  {
    cost: 1.1,
    fields: (_, mm) => [topEdge(mm)],
    words: (step, mm) => say('{step}, round the top edge by {mm} mm', { step, mm }),
  },
  {
    cost: 1.3,
    fields: (step, mm) => [corners(step, mm), topEdge(mm)],
    words: (step, mm) => say('{step}, round the corners and the top edge by {mm} mm', { step, mm }),
  },
];

/** The outer corners rounded, whatever was done to them before; what is done to others stays. */
const corners = ({ corners: groups = [] }: Extruded, mm: number) => ({
  path: ['corners'],
  value: [...groups.filter(({ which }) => which === 'inner'), { which: 'outer', finish: 'round', mm }],
});
const topEdge = (mm: number) => ({ path: ['top'], value: { finish: 'fillet', mm } });

/** Rounds the corners of an outline, or its top edge, so that nothing pricks. */
export const roundCorners: RemedyKind = {
  id: 'roundCorners',
  checks: ['comfort', 'brief'],
  *proposals({ recipe, finding, brief }): Generator<Proposal, void, Remedy | undefined> {
    const asked = finding.requirement === undefined ? undefined : brief?.requirements?.[finding.requirement];
    if (asked && asked.kind !== 'rounded') return;
    for (const step of recipe.steps) {
      if (step.kind !== 'extrude' || !finding.steps.includes(step.id)) continue;
      for (const { cost, fields, words } of ways) {
        for (const mm of RADII_MM) {
          const rounded = setFields(recipe, step.id, fields(step, mm));
          if (!rounded.ok) continue;
          yield {
            words: words(numbered(recipe, step.id), mm),
            recipe: rounded.recipe,
            cost: cost + PER_MM * mm,
          };
        }
      }
    }
  },
};
