import { locale } from '@kelbrin/core/words';

/** The time of day in the school's way of writing it: 09:30. */
export function clockTime(at: Date): string {
  return at.toLocaleTimeString(locale(), { hour: '2-digit', minute: '2-digit' });
}

/** A day and a time of it: 5 Dec, 09:30. */
export function dayAndTime(at: Date): string {
  return `${at.toLocaleDateString(locale(), { day: 'numeric', month: 'short' })}, ${clockTime(at)}`;
}

/** Today where the school is, such as 2026-12-05. */
export function today(): string {
  return new Date().toLocaleDateString('sv-SE');
}

/** A day such as 2026-12-05 as people write it: 5 Dec. */
export function shortDay(day: string): string {
  return new Date(`${day}T12:00`).toLocaleDateString(locale(), { day: 'numeric', month: 'short' });
}
