export { estimate, type Estimate } from './estimate.ts';
export { writeGcode, type GcodeOptions } from './gcode.ts';
export { everydaySettings, printSettings, settingsFor, type PrintSettings } from './printSettings.ts';
export { slice } from './slice.ts';
export type { Layer, Path, Role, Toolpath } from './toolpath.ts';
