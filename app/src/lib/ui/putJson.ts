/** Puts JSON to one of Kelbrin's own routes; throws when it did not arrive or was refused. */
export async function putJson(url: string, body: string): Promise<void> {
  const answer = await fetch(url, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body,
  });
  if (!answer.ok) throw new Error(`${url} answered ${answer.status}`);
}
