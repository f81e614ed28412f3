export { estimate, type Estimate } from './estimate.ts';
export { writeGcode, type GcodeOptions } from './gcode.ts';
export { paced } from './pace.ts';
export { everydaySettings, printSettings, type PrintSettings } from './printSettings.ts';
export { allowedSets, settingsFor, settingSets, type SettingSet } from './settingSets.ts';
export { slice } from './slice.ts';
export type { Layer, Path, Role, Toolpath } from './toolpath.ts';
