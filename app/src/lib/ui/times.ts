import { locale } from '@kelbrin/core/words';

/** The time of day in the school's way of writing it: 09:30. */
export function clockTime(at: Date): string {
  return at.toLocaleTimeString(locale(), { hour: '2-digit', minute: '2-digit' });
}

/** A day and a time of it: 5 Dec, 09:30. */
export function dayAndTime(at: Date): string {
  return `${shortDay(at)}, ${clockTime(at)}`;
}

/** Today where the school is, such as 2026-12-05. */
export function today(): string {
  return new Date().toLocaleDateString('sv-SE');
}

/** A day such as 2026-12-05, or the day of a time, as people write it in a list: 5 Dec, and of another year 5 Dec 2025. */
export function shortDay(day: Date | string): string {
  return dayIn({ day: 'numeric', month: 'short' }, day);
}

/** The same in a sentence: 5 December. */
export function longDay(day: Date | string): string {
  return dayIn({ day: 'numeric', month: 'long' }, day);
}

/** The same where somebody plans by it: Saturday 5 December. */
export function weekday(day: Date | string): string {
  return dayIn({ weekday: 'long', day: 'numeric', month: 'long' }, day);
}

/** A day as it stands on paper, which is kept: 5 Dec 2026. */
export function dayWithYear(day: Date): string {
  return day.toLocaleDateString(locale(), { day: 'numeric', month: 'short', year: 'numeric' });
}

function dayIn(options: Intl.DateTimeFormatOptions, day: Date | string): string {
  // A day without a time would be read as midnight in Greenwich, which west of it is the day before.
  const at = new Date(typeof day === 'string' && !day.includes('T') ? `${day}T12:00` : day);
  const isThisYear = at.getFullYear() === new Date().getFullYear();
  return at.toLocaleDateString(locale(), isThisYear ? options : { ...options, year: 'numeric' });
}
