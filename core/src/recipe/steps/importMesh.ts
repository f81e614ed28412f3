import * as z from 'zod';
import { combined, scale, shift } from '../../mesh/index.ts';
import { centredOn, fromPlate, placement, shiftFor } from '../placement.ts';
import { placementAdditions, placementTokens } from '../placementSentence.ts';
import { oneOf, text } from '../sentence.ts';
import { effect } from './extrude.ts';
import { turnAdditions, turns, turnsPose, turnTokens } from './readySolid.ts';
import { stepSchema, type StepKind } from './stepKind.ts';
import { say } from '../../words/index.ts';
import { levelTokens } from '../levelSentence.ts';
import { asideIf } from '../shortSentence.ts';

/** Millimetres in each unit that a file may be drawn in. */
export const fileUnitsMm = { mm: 1, cm: 10, m: 1000, in: 25.4 } as const;

export const schema = stepSchema('import', {
  effect,
  /** The SHA-256 of the mesh's bytes, by which the project keeps it; empty until a file is chosen. */
  asset: z.string().regex(/^([0-9a-f]{64})?$/),
  /** The file it was read from, for people. */
  fileName: z.string().max(80),
  unit: z.enum(['mm', 'cm', 'm', 'in']),
  turns: turns.optional(),
  placement,
});
export type ImportStep = z.infer<typeof schema>;

/** Takes in a mesh from a file. */
export const importMesh: StepKind<ImportStep> = {
  kind: 'import',
  get label() {
    return say('Import a file');
  },
  group: 'shape',
  offers: () => [
    {
      id: 'import',
      label: say('Import a file'),
      wish: 'shape',
      words: say('stl 3mf obj open load scan mesh upload'),
    },
  ],

  create: (id) => ({
    id,
    kind: 'import',
    effect: 'add',
    asset: '',
    fileName: '',
    unit: 'mm',
    placement: centredOn(undefined, fromPlate),
  }),

  sentence: (step, context) => [
    oneOf(['effect'], 'add, cut or keep', step.effect, { add: 'Import', cut: 'Cut away', keep: 'Keep only' }),
    {
      type: 'file',
      path: [],
      label: say('file to import'),
      words: step.fileName || say('a file to be chosen'),
    },
    ...asideIf(
      step.unit === 'mm',
      text(', drawn in'),
      oneOf(['unit'], 'unit of the file', step.unit, {
        mm: 'millimetres',
        cm: 'centimetres',
        m: 'metres',
        in: 'inches',
      }),
    ),
    ...turnTokens(step.turns),
    text(','),
    ...levelTokens('z', step),
    ...placementTokens(step.placement, context, ['x', 'y']),
    text('.'),
  ],

  additions: (step) => [...placementAdditions(step.placement, ['x', 'y']), ...turnAdditions(step.turns)],

  build(step, kit) {
    if (step.asset === '') return kit.fail(['asset'], say('Choose a file to import.'));
    const mesh = kit.posed(
      kit.imported(step.asset),
      combined(turnsPose(step.turns), scale(fileUnitsMm[step.unit])),
    );
    const by = shiftFor(step.placement, kit.boxOf(mesh), kit.hostBox(step.placement.on));
    return { operations: [{ effect: step.effect, body: kit.posed(mesh, shift(by)) }] };
  },
};
