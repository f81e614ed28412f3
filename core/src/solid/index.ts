export { Area, Sections } from './area.ts';
export {
  evaluate,
  type Evaluated,
  type Evaluation,
  type EvaluationOptions,
  type Workshop,
} from './evaluate.ts';
export { joinedBodies, type JoinedBodies } from './joinBodies.ts';
export { loadKernel, type Kernel, type KernelSource } from './kernel.ts';
export { drawingScribe, type DrawnWords } from './letters/drawnWords.ts';
export { readLetters, type LetterFile, type Shaper } from './letters/letterFile.ts';
export { type LetterFiles } from './letters/written.ts';
export type { StepOutcome } from './outcomes.ts';
export type { PlanCorner } from './trace.ts';
export { RegionMath } from './regionMath.ts';
export { inScope, Scope } from './scope.ts';
export { sectionOf, sectionView, type Cut, type SectionView } from './sectionView.ts';
export { detailMm, simplified, type Detail } from './simplify.ts';
export { SolidCache } from './solidCache.ts';
