export { writeStep, type StepPart } from './writeStep.ts';
