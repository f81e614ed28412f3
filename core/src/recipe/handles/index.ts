export { pieceHandles } from './pieceHandles.ts';
export { handlesOf, handlesUnder, type Handle } from './planHandles.ts';
export type { End, FieldChange, Sizing } from './sizing.ts';
export { spaceHandlesOf, type Distance, type SpaceHandle, type SpaceHandles } from './spaceHandles.ts';
