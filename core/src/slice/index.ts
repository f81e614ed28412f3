export { colourOf } from './layers/colours.ts';
export { cutThrough, type CutLine } from './layers/cutThrough.ts';
export { layerEndS, printClock, progressAt, type PrintClock, type Progress } from './printClock.ts';
export { countMoves, progressAtShare, type MoveCount } from './printedShare.ts';
export { estimate, estimateCopies, readySeconds } from './estimate.ts';
export { COLOUR_CHANGE_S, FILAMENT_CHANGE_S } from './layers/colours.ts';
export type { Estimate } from './printEstimate.ts';
export { printNeeds } from './printNeeds.ts';
export { layerStarts } from './gcode/layerStarts.ts';
export { writeGcode, type GcodeOptions, type PrintedOn } from './gcode/gcode.ts';
export { hangingOf, type Hanging } from './layers/hanging.ts';
export { lengthAlong } from './paths/lengths.ts';
export { cannotPrint, settingsOn } from './settings/onSheet.ts';
export { materialNamed, materialKey, sameMaterial } from '../machine/index.ts';
export { paced } from './motion/pace.ts';
export {
  everydaySettings,
  infillWays,
  printSettings,
  seams,
  supportForms,
  supportSettings,
  supportStands,
  type PrintSettings,
  type Seam,
  type SupportSettings,
} from './settings/printSettings.ts';
export {
  allowedSets,
  choiceOfPart,
  chosenIn,
  partChoice,
  printChoice,
  settingsFor,
  settingsForPart,
  settingsOf,
  settingSets,
  type PartChoice,
  type PieceChoice,
  type PrintChoice,
  type SettingSet,
} from './settings/settingSets.ts';
export { supportLines } from './supportLines.ts';
export { slice, sliceInSteps } from './slice.ts';
export { climbsOf, spansOf } from './paths/climbs.ts';
export { packed, unpacked, type PackedToolpath } from './paths/packedToolpath.ts';
export {
  endOf,
  liesOnPlate,
  type Layer,
  type Path,
  type Role,
  type Spot,
  type SupportNotes,
  type Toolpath,
} from './paths/toolpath.ts';
export { SUPPORTS_BEYOND_MM } from './supports/supportPlan.ts';
