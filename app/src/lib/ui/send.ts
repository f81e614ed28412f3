import { deserialize } from '$app/forms';
import type { ActionResult } from '@sveltejs/kit';
import { FILE_NAME_HEADER } from '$lib/shared/fileNameHeader';
import { frameTexts as say } from '$lib/texts/frame';
import { actionRefusal } from './actionRefusal';

/**
 * Sends JSON to one of Kelbrin's own routes. Throws with the server's sentence when it was refused, or with one of the
 * page's own when it did not arrive.
 */
export async function sendJson(
  method: 'PUT' | 'POST' | 'DELETE',
  url: string,
  data?: unknown,
): Promise<void> {
  await answered(url, asJson(method, data));
}

/** A request that carries data as JSON. */
export function asJson(method: 'PUT' | 'POST' | 'DELETE', data?: unknown): RequestInit {
  return {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: data === undefined ? undefined : JSON.stringify(data),
  };
}

/** Sends a file with its name, and returns what was answered; throws as {@link sendJson} does. */
export async function sendFile(url: string, file: File): Promise<unknown> {
  const headers = {
    'Content-Type': 'application/octet-stream',
    [FILE_NAME_HEADER]: encodeURIComponent(file.name),
  };
  return (await answered(url, { method: 'POST', headers, body: file })).json();
}

/** What an action that was carried out comes to. */
export type Taken = Exclude<ActionResult, { type: 'failure' } | { type: 'error' }>;

/**
 * Sends to one of the page's actions what a form would, where there is none. Throws as {@link sendJson} does, and with the
 * page's sentence when that refused it.
 */
export async function sendAction(
  action: string,
  fields: readonly (readonly [name: string, value: string])[],
): Promise<Taken> {
  const body = new FormData();
  for (const [name, value] of fields) body.append(name, value);
  const answer = await reached(action, { method: 'POST', body });
  // A page of words, as a server before this one may send, is no result.
  const result = await answer
    .text()
    .then((text) => deserialize(text))
    .catch(() => undefined);
  if (!result) throw new Error(say.notReached);
  const refusal = actionRefusal({ status: answer.status, ...result });
  if (refusal !== undefined) throw new Error(refusal);
  if (result.type === 'failure') throw new Error(result.data?.message as string);
  return result as Taken;
}

async function answered(url: string, request: RequestInit): Promise<Response> {
  const answer = await reached(url, request);
  if (answer.ok) return answer;
  const said = (await answer.json().catch(() => ({}))) as { message?: string };
  throw new Error(said.message ?? 'The server refused this.');
}

async function reached(url: string, request: RequestInit): Promise<Response> {
  const answer = await fetch(url, request).catch(() => undefined);
  if (!answer) throw new Error(say.notReached);
  return answer;
}
