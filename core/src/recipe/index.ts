export * from './edits.ts';
export * from './placement.ts';
export * from './problem.ts';
export * from './recipe.ts';
export * from './sentence.ts';
export * from './steps/index.ts';
