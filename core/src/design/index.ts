export * from './design.ts';
export * from './differences.ts';
export * from './parts.ts';
export * from './sharedMeasures.ts';
