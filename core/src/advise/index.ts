export { remediesFor, remedyKinds } from './remedies.ts';
export type { Remedy, Tried, Trouble } from './remedy.ts';
export { adviceOnScaling, type StepAdvice } from './scaling.ts';
export { failingFindings } from './failingFindings.ts';
export { Trials, type TrialsFor } from './trials.ts';
