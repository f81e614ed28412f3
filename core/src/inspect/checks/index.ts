import type { Check } from '../check.ts';
import { base } from './base.ts';
import { bridge } from './bridge.ts';
import { hole } from './hole.ts';
import { island } from './island.ts';
import { overhang } from './overhang.ts';
import { size } from './size.ts';

/** Every check, in the order in which they are reported. */
export const checks: readonly Check[] = [size, base, hole, overhang, bridge, island];
