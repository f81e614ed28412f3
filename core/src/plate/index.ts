export { conflictsOf, distanceBetween, type Conflicts } from './conflicts.ts';
export { footprintOf } from './footprint.ts';
export { headConflicts } from './headConflicts.ts';
export { layOut, type Layout } from './layOut.ts';
export { nearestPlace } from './nearestPlace.ts';
export { outsideOfSheet, sharedPlate, shiftOnto } from './onSheet.ts';
export {
  coveredBy,
  onPart,
  onPlate,
  type Plate,
  type Placeable,
  type Placed,
  type Pose,
} from './placement.ts';
export { plateSolid } from './plateSolid.ts';
export {
  plateToolpath,
  slicePart,
  type LaidPart,
  type PlateToolpath,
  type SlicedPart,
} from './plateToolpath.ts';
