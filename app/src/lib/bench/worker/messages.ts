import type { ColourBands } from '@kelbrin/core/colours';
import type { Remedy } from '@kelbrin/core/advise';
import type {
  BriefRules,
  Inspection,
  LimitsCard,
  Progress,
  SupportMark,
  ThicknessMap,
} from '@kelbrin/core/inspect';
import type { SolidMesh } from '@kelbrin/core/mesh';
import type { Problem, Recipe } from '@kelbrin/core/recipe';
import type { PrintedLayer } from '../../ui/printedLines/shownLayer';
import type { SheetTitle, SheetWish } from '@kelbrin/core/sheet';
import type { Estimate, SupportNotes } from '@kelbrin/core/slice';
import type { PartNotes, SvgDrawing } from '@kelbrin/core/format';
import type { Cut, Detail, SectionView, StepOutcome } from '@kelbrin/core/solid';

/** What stays as it is while a project is on the bench: what its parts are held against, and where its files are. */
export interface Setting {
  readonly limits: LimitsCard;
  readonly brief: BriefRules;
  /** Where the project's imported files are fetched from, by their names. */
  readonly filesAt: string;
}

/** What the bench asks its worker. */
export type ToWorker =
  | ({
      readonly kind: 'evaluate';
      readonly job: number;
      readonly partId: string;
      readonly recipe: Recipe;
      /** The faces that supports are to keep away from, or to hold. */
      readonly supportMarks?: readonly SupportMark[];
      /** Whether it is one of many that somebody drags through. */
      readonly isDragged?: boolean;
    } & Setting)
  | { readonly kind: 'section'; readonly job: number; readonly cut: Cut }
  /** Asks for the layer that is printed at a height. */
  | { readonly kind: 'layer'; readonly job: number; readonly zMm: number }
  /** Asks for changes that mend a finding, by its place in the inspection that is shown. */
  | {
      readonly kind: 'remedies';
      readonly job: number;
      readonly checkId: string;
      readonly finding: number;
    }
  | { readonly kind: 'thickness'; readonly job: number; readonly upToMm: number }
  | { readonly kind: 'export'; readonly job: number; readonly wish: ExportWish }
  | { readonly kind: 'drawing'; readonly job: number; readonly source: string }
  /** Asks for a small picture of a part that need not be the one that is shown. */
  | { readonly kind: 'portrait'; readonly job: number; readonly recipe: Recipe };

/** Drawing sheets, and all else that a part can be written as. */
export type SheetFormat = 'sheet-pdf' | 'sheet-svg';
export type PartFormat =
  | 'stl'
  | 'ascii-stl'
  | '3mf'
  | 'obj'
  | 'step'
  | 'step-all'
  | 'plan-svg'
  | 'section-svg';

/** What a part shall be written as. */
export interface ExportWish {
  readonly format: PartFormat | SheetFormat;
  readonly detail: Detail;
  /** Where the part is cut, for a drawing of its section. */
  readonly cut: Cut;
  readonly notes: PartNotes;
  /** What a drawing sheet says and how it is laid out. */
  readonly sheet?: SheetTitle & SheetWish;
  /** All parts of the project, for a file of them together. */
  readonly parts?: readonly { readonly name: string; readonly recipe: Recipe }[];
}

/** A file as it was written. */
export interface ExportedFile {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly triangles: number;
  /** What a drawing sheet looks like, as SVG. */
  readonly picture?: string;
  /** Why there is no file, in a sentence. */
  readonly refused?: string;
  /** The names of parts that could not be built and so are not in it. */
  readonly leftOut?: readonly string[];
}

/** A drawing as it was read from a file, or why it cannot be. */
export type ReadDrawing =
  | { readonly ok: true; readonly drawing: SvgDrawing }
  | { readonly ok: false; readonly reason: string };

/** A solid as it is shown, with everything that was found out about it. */
export interface ShownSolid {
  readonly mesh: SolidMesh;
  /** The edges that are drawn, both ends of each. */
  readonly edges: Float32Array;
  readonly volumeMm3: number;
  readonly steps: readonly StepOutcome[];
  /** The colours that the part is wished in, from the plate up. */
  readonly colours: ColourBands;
  readonly inspection: Inspection;
  /** Whether the inspection is of this very solid; while edits follow each other closely it is of one shortly before. */
  readonly isInspected: boolean;
}

/** What the worker answers. Each answer carries the number of the job it is to. */
export type FromWorker =
  | { readonly kind: 'solid'; readonly job: number; readonly solid: ShownSolid }
  | { readonly kind: 'problem'; readonly job: number; readonly problem: Problem }
  | {
      readonly kind: 'inspected';
      readonly job: number;
      readonly inspection: Inspection;
      /** The steps with what the inspection has to say of them. */
      readonly steps: readonly StepOutcome[];
    }
  /** How far the inspection of a large part has come. */
  | { readonly kind: 'progress'; readonly job: number; readonly progress: Progress }
  | {
      readonly kind: 'estimate';
      readonly job: number;
      readonly estimate: Estimate;
      readonly supports?: SupportNotes;
      /** The lines of its supports, as pairs of ends in space. */
      readonly supportLines?: Float32Array<ArrayBuffer>;
    }
  | { readonly kind: 'section'; readonly job: number; readonly section: SectionView }
  | { readonly kind: 'layer'; readonly job: number; readonly layer: PrintedLayer }
  /** A change that mends the finding that was asked about; without one, that there are no more. */
  | { readonly kind: 'remedy'; readonly job: number; readonly remedy?: Remedy }
  | { readonly kind: 'thickness'; readonly job: number; readonly map: ThicknessMap }
  | { readonly kind: 'exported'; readonly job: number; readonly file: ExportedFile }
  | { readonly kind: 'drawn'; readonly job: number; readonly read: ReadDrawing }
  /** A picture as PNG; none of a part that cannot be built or is empty. */
  | { readonly kind: 'portrait'; readonly job: number; readonly png?: Uint8Array<ArrayBuffer> };
