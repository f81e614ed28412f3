export { Area, Sections } from './area.ts';
export {
  bandWords,
  evaluate,
  type Evaluated,
  type Evaluation,
  type StepOutcome,
  type Workshop,
} from './evaluate.ts';
export { loadKernel, type Kernel, type KernelSource } from './kernel.ts';
export { loadFont, type LetterFont } from './letters.ts';
export { inScope, Scope } from './scope.ts';
