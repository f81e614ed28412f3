export * from './crossings.ts';
export * from './edgeGrid.ts';
export * from './curves.ts';
export * from './hull.ts';
export * from './region.ts';
export * from './stroke.ts';
export * from './thickness.ts';
export * from './largestCircle.ts';
