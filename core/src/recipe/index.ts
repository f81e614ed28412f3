// First, so that every schema speaks in these words.
import './schemaWords.ts';

export * from './amount.ts';
export * from './chosenCorners.ts';
export * from './chosenEdges.ts';
export * from './differences.ts';
export * from './edits.ts';
export * from './facing.ts';
export * from './formula.ts';
export * from './handles/index.ts';
export * from './lettering.ts';
export * from './measures.ts';
export * from './offers/index.ts';
export * from './origin.ts';
export * from './outlines/index.ts';
export * from './placement.ts';
export * from './printer.ts';
export * from './problem.ts';
export * from './recipe.ts';
export * from './references.ts';
export * from './relief.ts';
export * from './resolve.ts';
export * from './amountWords.ts';
export * from './sentence.ts';
export * from './steps/index.ts';
export * from './wordedEdit.ts';
export type { EdgeName } from '../edges/index.ts';
export type { Outline, Point, Region } from '../plane/index.ts';
