export { colourOf } from './colours.ts';
export { estimate, type Estimate } from './estimate.ts';
export { writeGcode, type GcodeOptions } from './gcode.ts';
export { lengthAlong } from './lengths.ts';
export { paced } from './pace.ts';
export { everydaySettings, printSettings, type PrintSettings } from './printSettings.ts';
export {
  allowedSets,
  printChoice,
  settingsFor,
  settingsOf,
  settingSets,
  type PrintChoice,
  type SettingSet,
} from './settingSets.ts';
export { slice } from './slice.ts';
export type { Layer, Path, Role, Toolpath } from './toolpath.ts';
