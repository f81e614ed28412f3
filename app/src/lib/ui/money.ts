const pounds = new Intl.NumberFormat('en-GB', { style: 'currency', currency: 'GBP' });

/** A price as the school writes it: £0.42. */
export function inMoney(amount: number): string {
  return pounds.format(amount);
}
