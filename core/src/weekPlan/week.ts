/*
 * What is known of the print room when a week is planned. Times are milliseconds since 1970, sizes of parts and plates are
 * areas in mm², and parts of one kind may lie on one plate: they are of one material, printed in the same lines and
 * colours.
 */

/** A part that waits. */
export interface WaitingPart {
  readonly id: string;
  readonly student: string;
  /** The id of the brief that it is for. */
  readonly brief: string;
  /** When it is to be done; undefined where nobody set a day. */
  readonly dueMs: number | undefined;
  readonly kind: string;
  /** How long it takes on a plate with others; each plate takes {@link Kind.readyS} more. */
  readonly seconds: number;
  readonly grams: number;
  /** The room that it takes on a plate, with the gap to its neighbours. */
  readonly areaMm2: number;
  /** Whether a part like it failed before, or it is so tall that somebody had better be there. */
  readonly isRisky: boolean;
}

/** What parts that are printed together have in common. */
export interface Kind {
  readonly id: string;
  /** What has to be loaded: material and colour; any colour where none is said. */
  readonly material: string;
  readonly colour: string | undefined;
  /** Heating and levelling before each plate, seconds. */
  readonly readyS: number;
}

/** A roll on a printer; its colour is not known where any will do. */
export interface Loaded {
  readonly material: string;
  readonly colour: string | undefined;
}

/** A printer of the school. */
export interface PlannedPrinter {
  readonly id: string;
  /** The room on its plate that parts can take. */
  readonly areaMm2: number;
  /** The rolls that are on it: one, or as many as it changes between by itself. */
  readonly loaded: readonly Loaded[];
  /** When what it prints now is done. */
  readonly freeMs: number;
  /** The kinds that it can print with the filament that it has, or with another. */
  readonly kinds: readonly string[];
}

/** A time in which somebody is there to clear plates and to start prints. */
export interface Attended {
  readonly fromMs: number;
  readonly toMs: number;
  /** Until when a print that is started then may run by itself: the next morning, or the end of this time. */
  readonly aloneUntilMs: number;
}

/** A batch that somebody put at a time on a printer. */
export interface PinnedBatch {
  readonly id: string;
  readonly printer: string;
  readonly fromMs: number;
  readonly parts: readonly string[];
}

export interface WeekProblem {
  readonly nowMs: number;
  /** In their fair order: what goes first where nothing else decides. */
  readonly parts: readonly WaitingPart[];
  readonly kinds: readonly Kind[];
  readonly printers: readonly PlannedPrinter[];
  /** In their order; what does not find room in the last of them is not planned. */
  readonly attended: readonly Attended[];
  readonly pinned: readonly PinnedBatch[];
}

/** A batch of the plan. */
export interface WeekBatch {
  /** The id of what somebody pinned, or undefined. */
  readonly pinned: string | undefined;
  readonly printer: string;
  readonly kind: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly parts: readonly string[];
  readonly grams: number;
  readonly isOvernight: boolean;
  /** Whether other filament has to be loaded before it. */
  readonly changesFilament: boolean;
}

/** Clearing a plate, wiping it, and watching the first layer of what comes next, seconds. */
export const CLEAR_S = 300;
/** Taking filament out and another one in, seconds. */
export const CHANGE_S = 600;
