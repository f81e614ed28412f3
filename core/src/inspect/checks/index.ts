import type { Check, PrintCheck } from './check.ts';
import type { Why } from './why.ts';
import { base } from './base.ts';
import { bodies } from './bodies.ts';
import { brief } from './brief.ts';
import { bridge } from './bridge.ts';
import { colours } from './colours.ts';
import { comfort } from './comfort.ts';
import { gap } from './gap.ts';
import { hole } from './hole.ts';
import { island } from './island.ts';
import { material } from './material.ts';
import { mesh } from './mesh.ts';
import { overhang } from './overhang.ts';
import { relief } from './relief.ts';
import { size } from './size.ts';
import { stability } from './stability.ts';
import { supports } from './supports.ts';
import { time } from './time.ts';
import { wall } from './wall.ts';

/** The checks by their ids, in the order in which they are reported. A new check is a file and its name in this list. */
const byId = {
  mesh,
  size,
  base,
  hole,
  overhang,
  bridge,
  island,
  wall,
  gap,
  bodies,
  stability,
  relief,
  comfort,
  colours,
  time,
  material,
  supports,
  brief,
} satisfies Record<string, Check>;

/** What a check is called in code and in data. */
export type CheckId = keyof typeof byId;

/** Every check; the compiler sees to it that each stands under its own id. */
export const checks: readonly Check<CheckId>[] = Object.values<Check<CheckId>>(
  byId satisfies { readonly [Id in CheckId]: Check<Id> },
);

/** Those of the checks that have more to say once the part was sliced. */
export const printChecks: readonly PrintCheck[] = [time, material, supports, brief];

/** Why a check is made, by its id; undefined for one that there is no more. */
export function whyOf(id: string): Why | undefined {
  return checks.find((check) => check.id === id)?.why;
}

/** What a check is called, by its id; the id itself for one that there is no more. */
export function checkTitle(id: string): string {
  return checks.find((check) => check.id === id)?.title ?? id;
}
