import { locale, say } from '../../words/index.ts';

/** How long something takes as it is said everywhere: `17 min`, `1 h 52 min`; never less than it takes. */
export function inHours(seconds: number): string {
  const minutes = Math.ceil(Math.round(seconds) / 60);
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  if (hours === 0) return say('{rest} min', { rest });
  return rest === 0 ? `${hours} h` : say('{hours} h {rest} min', { hours, rest });
}

/** A price as it is said everywhere, in the currency of a code of ISO 4217: `€0.42`. */
export function inMoney(amount: number, currency: string): string {
  return new Intl.NumberFormat(locale(), { style: 'currency', currency }).format(amount);
}

/** Whether a code of ISO 4217 has this form; whether there is such a currency is not asked. */
export const CURRENCY = /^[A-Z]{3}$/;
