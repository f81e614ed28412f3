export { clashOf } from './clash.ts';
export type { Figure } from './figure.ts';
export { freedomOf, type Freedom } from './freedom.ts';
export type { Relation } from './relations/index.ts';
export { dragged } from './dragged.ts';
export { settled, type Settled } from './settle.ts';
