const pounds = new Intl.NumberFormat('en-GB', { style: 'currency', currency: 'GBP' });

/** The sign of the school's money. */
export const moneySign = pounds.formatToParts(0).find(({ type }) => type === 'currency')!.value;

/** A price as the school writes it: £0.42. */
export function inMoney(amount: number): string {
  return pounds.format(amount);
}
