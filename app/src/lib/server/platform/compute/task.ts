import type { ColourBands } from '@kelbrin/core/colours';
import type { BriefRules, Inspection, LimitsCard, SupportMark } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import type { FileUnit } from '@kelbrin/core/mesh';
import type { Region } from '@kelbrin/core/plane';
import type { Plate, Layout, Placeable, Placed, Pose } from '@kelbrin/core/plate';
import type { WeekBatch, WeekProblem } from '@kelbrin/core/weekPlan';
import type { Estimate, PackedToolpath, PrintChoice, PrintedOn, PrintSettings } from '@kelbrin/core/slice';
import type { HeldBy } from '../../../shared/heldBy.ts';
import type { SentBytes } from '../sent/sentBytes.ts';

/** The STL files that a recipe imports, by the names under which its steps know them. */
export type MeshFiles = ReadonlyMap<string, Uint8Array>;

/** What a worker can be asked to do. */
export type Task =
  | {
      readonly kind: 'inspect';
      readonly recipe: Recipe;
      readonly files?: MeshFiles;
      readonly limits: LimitsCard;
      readonly brief: BriefRules;
      /** The faces that supports are to keep away from, or to hold. */
      readonly supportMarks?: readonly SupportMark[];
      readonly title: string;
    }
  /** A part of a batch, sliced by itself. */
  | {
      readonly kind: 'slice';
      /** Its print file by the hash of that. */
      readonly files: ReadonlyMap<string, Uint8Array>;
      readonly settings: PrintSettings;
      readonly choice: PrintChoice;
      /** By what supports hold it; none do if it is left out. */
      readonly heldBy?: HeldBy;
    }
  /** Sliced parts, put together to one print. */
  | {
      readonly kind: 'batch';
      /** The sliced parts by their names, which say as what and how each was sliced. */
      readonly sliced: ReadonlyMap<string, PackedToolpath>;
      /** Where they are laid, a place for each copy. */
      readonly parts: readonly (Pose & {
        readonly hash: string;
        readonly piece: string;
        /** As it was sliced, which the name of the piece does not say; kept answers are told apart by it. */
        readonly heldBy?: HeldBy;
      })[];
      /** What all parts share, and the usual plate that they are laid on. */
      readonly settings: PrintSettings;
      readonly laidOnMm: readonly [number, number];
      /** The printer that it is for, if its model has a sheet. */
      readonly on?: PrintedOn;
      /** The print files by their hashes, if that printer shows a picture of them. */
      readonly pictured?: ReadonlyMap<string, Uint8Array>;
      readonly notes: readonly string[];
    }
  | {
      readonly kind: 'layOut';
      readonly parts: readonly Placeable[];
      readonly plate: Plate;
      readonly gapMm: number;
      readonly fixed: readonly Placed[];
    }
  | { readonly kind: 'planWeek'; readonly problem: WeekProblem }
  | {
      readonly kind: 'picture';
      readonly recipe: Recipe;
      readonly files?: MeshFiles;
      readonly colour: string;
      readonly widthPx: number;
    }
  /** A part file that somebody sent. */
  | { readonly kind: 'readMesh'; readonly sent: SentBytes }
  /** A picture that somebody sent. */
  | { readonly kind: 'readPicture'; readonly sent: SentBytes };

/** What it answers to each kind of task. */
export interface Answers {
  inspect:
    | {
        ok: true;
        inspection: Inspection;
        threeMf: Uint8Array;
        stl: Uint8Array;
        estimate: Estimate;
        footprint: Region;
        colours: ColourBands;
        /** Of the marked faces those that the part has. */
        supportMarks: SupportMark[];
      }
    | { ok: false; problem: string };
  slice: PackedToolpath;
  batch:
    | {
        readonly ok: true;
        readonly gcode: string;
        readonly estimate: Estimate;
        /** Where in it each layer begins, as shares of its length. */
        readonly layerStarts: readonly number[];
      }
    | { readonly ok: false; readonly problem: string };
  layOut: Layout;
  planWeek: readonly WeekBatch[];
  picture: { png: Uint8Array };
  readMesh:
    | {
        ok: true;
        /** The solid as binary STL. */
        stl: Uint8Array;
        unit: FileUnit;
        /** What had to be mended or guessed, a sentence each. */
        notes: string[];
      }
    /** Half a sentence that can follow the file's name and a colon. */
    | { ok: false; problem: string };
  readPicture: { ok: true; mediaType: string } | { ok: false; problem: string };
}
