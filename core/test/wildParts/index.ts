import { hanging } from './hanging.ts';
import { holes } from './holes.ts';
import { standing } from './standing.ts';
import { walls } from './walls.ts';
import type { WildPart } from './wildPart.ts';

export type { WildPart } from './wildPart.ts';

/** Parts with known answers that were made by other means than the kernel. */
export const wildParts: readonly WildPart[] = [...holes, ...hanging, ...walls, ...standing];
