export * from './design.ts';
export * from './differences.ts';
export * from './family.ts';
export { mergeDesigns, withTheirChange, type Merge } from './merge/merge.ts';
export * from './parts.ts';
export * from './sharedMeasures.ts';
