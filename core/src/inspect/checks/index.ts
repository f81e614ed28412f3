import type { Check } from '../check.ts';
import { base } from './base.ts';
import { bodies } from './bodies.ts';
import { bridge } from './bridge.ts';
import { gap } from './gap.ts';
import { hole } from './hole.ts';
import { island } from './island.ts';
import { overhang } from './overhang.ts';
import { size } from './size.ts';
import { wall } from './wall.ts';

/** Every check, in the order in which they are reported. */
export const checks: readonly Check[] = [size, base, hole, overhang, bridge, island, wall, gap, bodies];
