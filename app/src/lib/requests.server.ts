import { error, fail, json, type ActionFailure, type Cookies } from '@sveltejs/kit';
import { parseSetCookieHeader } from 'better-auth/cookies';
import { NotAllowed } from './server/auth/access';
import { CannotNow } from './server/cannotNow';
import { isImpossibleData } from './server/impossibleData';

/** Answers what a person may not see as if it did not exist. */
export async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (problem) {
    if (problem instanceof NotAllowed) error(404, problem.message);
    if (isImpossibleData(problem))
      error(400, 'Something in the request is a number or a sign that cannot be.');
    throw problem;
  }
}

/** Answers what cannot be done now with its sentence, which the page shows beside the button. */
export async function orSentence<T>(work: Promise<T>): Promise<T | ActionFailure<{ message: string }>> {
  try {
    return await orNotFound(work);
  } catch (problem) {
    if (problem instanceof CannotNow) return fail(409, { message: problem.message });
    throw problem;
  }
}

/** Answers a request of the page's own code with JSON; what cannot be done now with 409 and its sentence. */
export async function orConflict(work: Promise<unknown>): Promise<Response> {
  try {
    return json(await orNotFound(work));
  } catch (problem) {
    if (problem instanceof CannotNow) return json({ message: problem.message }, { status: 409 });
    throw problem;
  }
}

/** The largest JSON that is read: a design of two hundred steps with drawings is a tenth of it. */
const LARGEST_JSON_BYTES = 500_000;

/**
 * What a request brings as JSON; undefined if that is none. Answers 413 as soon as there is more than a design can be,
 * so that nothing larger is ever read whole.
 */
export async function jsonFrom(request: Request): Promise<unknown> {
  const pieces: Uint8Array[] = [];
  let length = 0;
  for await (const piece of request.body ?? []) {
    length += piece.length;
    if (length > LARGEST_JSON_BYTES) error(413, 'This is larger than 500 kB, more than a project can be.');
    pieces.push(piece);
  }
  try {
    return JSON.parse(Buffer.concat(pieces).toString('utf8'));
  } catch {
    return undefined;
  }
}

/** The file that a request brings in its field `file`; answers 400 for one that brings none. */
export async function uploadedFile(request: Request): Promise<{ name: string; bytes: Uint8Array }> {
  const file = (await request.formData().catch(() => undefined))?.get('file');
  if (!(file instanceof File)) error(400, 'There is no file in the request.');
  return { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}

/** Passes the cookies of a new or ended session on to the browser. */
export function passCookies(cookies: Cookies, setCookies: readonly string[]): void {
  for (const header of setCookies) {
    for (const [name, { value, ...attributes }] of parseSetCookieHeader(header)) {
      cookies.set(name, value, {
        path: attributes.path ?? '/',
        httpOnly: true,
        sameSite: 'lax',
        secure: attributes.secure ?? false,
        maxAge: attributes['max-age'] === undefined ? undefined : Number(attributes['max-age']),
        encode: encodeURIComponent,
      });
    }
  }
}

/** What a field of a form holds as JSON; undefined for a field that holds none. */
export function parsedJson(field: FormDataEntryValue | null): unknown {
  try {
    return JSON.parse(String(field));
  } catch {
    return undefined;
  }
}
