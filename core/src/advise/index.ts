export { remediesFor, remedyKinds } from './remedies.ts';
export { ranked, type Remedy, type Trial, type Tried, type Trouble } from './remedy.ts';
export { adviceOnScaling, type StepAdvice } from './scaling.ts';
export { failingFindings } from './failingFindings.ts';
export { surfaceOfSteps, Trials, type TrialsFor } from './trials.ts';
