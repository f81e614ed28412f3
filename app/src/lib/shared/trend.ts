import * as z from 'zod';

/** How long temperatures are looked back on, and how far apart they are noted, s. */
export const TREND_S = 600;
const STEP_S = 10;

/** Temperatures of a printer over the last minutes, the oldest first; times are seconds since 1970. */
export const trend = z
  .array(z.strictObject({ atS: z.number(), nozzleC: z.number(), bedC: z.number() }))
  .max(TREND_S / STEP_S + 1)
  .readonly();
export type Trend = z.infer<typeof trend>;

/** The trend with what is measured now; the same one while the last is not old enough. */
export function withReading(before: Trend, now: Trend[number]): Trend {
  const last = before.at(-1);
  if (last && now.atS - last.atS < STEP_S) return before;
  return [...before.filter(({ atS }) => now.atS - atS <= TREND_S - STEP_S), now];
}
