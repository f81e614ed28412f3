/**
 * Whether what is read in a snapshot has a change in it already.
 * @param snapshot as PostgreSQL writes it: `10:20:10,14,15`, the first transaction that was under way, the first that was
 *   still to come, and all that were under way
 * @param change the number of the transaction that made the change
 */
export function isChangeIn(snapshot: string, change: number): boolean {
  const [first, next, underWay] = snapshot.split(':');
  if (change < Number(first)) return true;
  return change < Number(next) && !underWay.split(',').map(Number).includes(change);
}
