import * as z from 'zod';
import { say } from '@kelbrin/core/words';
import type { Attended } from '@kelbrin/core/weekPlan';
import { momentOf, type SchoolDay } from './schoolDay.ts';

/** When somebody is in the print room, beside the lessons of the day. */
export const planning = z.strictObject({
  /** The days of the week, 1 for Monday. */
  weekdays: z
    .array(z.int().min(1).max(7))
    .min(1, { error: () => say('Choose at least one day on which somebody is there.') })
    .readonly(),
  /** Until when somebody stays who clears plates, if longer than the lessons. */
  until: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: () => say('A time is written like 08:30.') })
    .nullable(),
  /** Days without school, as 2026-12-24. */
  freeDays: z
    .array(z.iso.date({ error: () => say('A day is written like 2026-12-24.') }))
    .max(200, { error: () => say('Enter at most 200 days.') })
    .readonly(),
  /** Whether a print may run alone into a day on which nobody comes. */
  isAloneOnFreeDays: z.boolean(),
});
export type Planning = z.infer<typeof planning>;

export const ordinaryPlanning: Planning = {
  weekdays: [1, 2, 3, 4, 5],
  until: null,
  freeDays: [],
  isAloneOnFreeDays: false,
};

/** The times of the next days in which somebody is there, from a moment on. */
export function attendedTimes(
  day: SchoolDay,
  { weekdays, until, freeDays, isAloneOnFreeDays }: Planning,
  from: Date,
  days: number,
): Attended[] {
  const slots: { fromMs: number; toMs: number; dayIndex: number }[] = [];
  for (let i = 0; i < days; i++) {
    const at = new Date(from);
    at.setDate(at.getDate() + i);
    // Sunday is 0 for the clock and 7 for people.
    if (!weekdays.includes(at.getDay() || 7) || freeDays.includes(dayOf(at))) continue;
    const lastBell = day.at(-1)!.to;
    const toMs = momentOf(until !== null && until > lastBell ? until : lastBell, at).getTime();
    const fromMs = Math.max(momentOf(day[0].from, at).getTime(), from.getTime());
    if (fromMs < toMs) slots.push({ fromMs, toMs, dayIndex: i });
  }
  return slots.map(({ fromMs, toMs, dayIndex }, i) => {
    const next = slots[i + 1];
    const isNextDay = next?.dayIndex === dayIndex + 1;
    return { fromMs, toMs, aloneUntilMs: next && (isNextDay || isAloneOnFreeDays) ? next.fromMs : toMs };
  });
}

/** A day of the school's calendar, as 2026-12-24. */
export function dayOf(at: Date): string {
  return at.toLocaleDateString('sv-SE');
}
