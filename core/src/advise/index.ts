export * from './scaling.ts';
