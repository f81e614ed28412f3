/**
 * Sends JSON to one of Kelbrin's own routes. Throws with the server's sentence when it was refused, or with one of the
 * page's own when it did not arrive.
 */
export async function sendJson(
  method: 'PUT' | 'POST' | 'DELETE',
  url: string,
  data?: unknown,
): Promise<void> {
  const answer = await fetch(url, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: data === undefined ? undefined : JSON.stringify(data),
  }).catch(() => undefined);
  if (!answer) throw new Error('The server could not be reached: try again in a moment.');
  if (answer.ok) return;
  const said = (await answer.json().catch(() => ({}))) as { message?: string };
  throw new Error(said.message ?? 'The server refused this.');
}
