/**
 * Whether an error is the database's answer to data that it cannot hold or compare: a number beyond all bounds, text with
 * a sign that is none, an id that is no id (PostgreSQL's error class 22, "data exception"). Such data came with a request,
 * so it is the request that is wrong, and not the server.
 */
export function isImpossibleData(problem: unknown): boolean {
  for (let each = problem; each instanceof Error; each = each.cause) {
    const { code } = each as Error & { code?: unknown };
    if (typeof code === 'string' && /^22[0-9A-Z]{3}$/.test(code)) return true;
  }
  return false;
}
