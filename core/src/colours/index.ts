export * from './band.ts';
export * from './filamentColour.ts';
export * from './together.ts';
