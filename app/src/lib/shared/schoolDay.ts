import * as z from 'zod';
import { say } from '@kelbrin/core/words';

const timeOfDay = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: () => say('A time is written like 08:30.') });

/** A lesson between two bells. */
export const lesson = z
  .strictObject({ from: timeOfDay, to: timeOfDay })
  .refine(({ from, to }) => from < to, { error: () => say('A lesson has to end later than it begins.') });
export type Lesson = z.infer<typeof lesson>;

/** The lessons of a day in their order. */
export const schoolDay = z
  .array(lesson)
  .min(1, { error: () => say('Enter at least one lesson.') })
  .max(16, { error: () => say('Enter at most 16 lessons.') })
  .refine((lessons) => lessons.every(({ from }, i) => i === 0 || lessons[i - 1].to <= from), {
    error: () => say('Each lesson has to begin after the one before it ends.'),
  });
export type SchoolDay = z.infer<typeof schoolDay>;

export const ordinaryDay: SchoolDay = [
  { from: '08:40', to: '09:30' },
  { from: '09:30', to: '10:20' },
  { from: '10:40', to: '11:30' },
  { from: '11:30', to: '12:20' },
  { from: '13:10', to: '14:00' },
  { from: '14:00', to: '14:50' },
];

/** Reads a day from lines such as "08:40 09:30"; whatever is no time is told by the line. */
export function parseSchoolDay(words: string): { ok: true; day: SchoolDay } | { ok: false; problem: string } {
  const lines = words
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const day = lines.map((line) => {
    const [from = '', to = ''] = line.split(/[\s–-]+/);
    return { from: from.padStart(5, '0'), to: to.padStart(5, '0') };
  });
  const read = schoolDay.safeParse(day);
  if (read.success) return { ok: true, day: read.data };
  const { path, message } = read.error.issues[0];
  const at = typeof path[0] === 'number' ? say('Line {path}: ', { path: path[0] + 1 }) : '';
  return { ok: false, problem: at + message };
}

/** The moment on the day of `at` when a time of day is. */
export function momentOf(time: string, at: Date): Date {
  const [hours, minutes] = time.split(':').map(Number);
  const moment = new Date(at);
  moment.setHours(hours, minutes, 0, 0);
  return moment;
}

/** When the next bell rings that ends a lesson; undefined once the last one of the day has rung. */
export function nextBell(day: SchoolDay, at: Date): Date | undefined {
  return bellsAfter(day, at)[0];
}

/** When the bells of a day ring that end a lesson, those that are still to come. */
export function bellsAfter(day: SchoolDay, at: Date): Date[] {
  return day.map(({ to }) => momentOf(to, at)).filter((bell) => bell > at);
}

/** When the first lesson of the next morning begins: until then a print may run overnight. */
export function nextMorning(day: SchoolDay, at: Date): Date {
  const morning = momentOf(day[0].from, at);
  if (morning <= at) morning.setDate(morning.getDate() + 1);
  return morning;
}
