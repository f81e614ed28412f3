import type { Design, Merge } from '@kelbrin/core/design';
import type { DraftStorage } from './keptDraft.ts';

/**
 * Where the latest edit is. While it is not `saved` it is kept in this browser: until there is a connection, until somebody
 * is signed in, until the server has a moment, until a person has chosen between two states, or for good, where the server
 * refuses it.
 */
export type SaveState = 'saved' | 'saving' | 'offline' | 'signedOut' | 'busy' | 'conflict' | 'refused';

/** What the server keeps now, when it is not what this tab's edits were made from. */
export interface Theirs {
  readonly revision: number;
  readonly design: Design;
}

/** A state that takes the place of what is shown, since somebody else's work is in it. */
export interface TakenIn {
  readonly design: Design;
  /** What was there until now, or before, in the ids that its new parts and steps got. */
  readonly renamed: Merge['renamed'];
  /** What would be there if a person had chosen otherwise; it can be gone back to. */
  readonly instead?: Design;
}

/** Where edits go and where they are kept until they arrive; tests put others in their place. */
export interface SaveHost {
  /** The key tells this save from others, should its answer be lost. */
  put(body: { baseRevision: number; key: string; design: Design }): Promise<Response>;
  takeIn(taken: TakenIn): void;
  readonly storage: DraftStorage;
}
