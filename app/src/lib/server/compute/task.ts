import type { BriefRules, Inspection, LimitsCard } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import type { Estimate } from '@kelbrin/core/slice';

/** The STL files that a recipe imports, by the names under which its steps know them. */
export type MeshFiles = ReadonlyMap<string, Uint8Array>;

/** What the compute worker can be asked to do. */
export type Task =
  | {
      readonly kind: 'inspect';
      readonly recipe: Recipe;
      readonly files?: MeshFiles;
      readonly limits: LimitsCard;
      readonly brief: BriefRules;
      readonly title: string;
    }
  | {
      readonly kind: 'gcode';
      readonly threeMf: Uint8Array;
      readonly limits: LimitsCard;
      readonly notes: readonly string[];
    }
  | {
      readonly kind: 'picture';
      readonly recipe: Recipe;
      readonly files?: MeshFiles;
      readonly colour: string;
    };

/** What it answers to each kind of task. */
export interface Answers {
  inspect:
    | { ok: true; inspection: Inspection; threeMf: Uint8Array; stl: Uint8Array; estimate: Estimate }
    | { ok: false; problem: string };
  gcode: { gcode: string; estimate: Estimate };
  picture: { png: Uint8Array };
}

/** A task with the number that its answer carries. */
export interface Request {
  readonly id: number;
  readonly task: Task;
}

/** The answer to the request of the same number, or the message of an error. */
export type Reply =
  | { readonly id: number; readonly answer: Answers[keyof Answers] }
  | { readonly id: number; readonly error: string };
