export * from './audit.ts';
export * from './limits.ts';
export * from './people.ts';
export * from './print.ts';
export * from './projects.ts';
export * from './review.ts';
export * from './shares.ts';
export * from './users.ts';
