export * from './design.ts';
export * from './differences.ts';
export * from './family.ts';
export * from './parts.ts';
export * from './sharedMeasures.ts';
