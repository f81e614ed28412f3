import { error, fail, json, type ActionFailure, type Cookies } from '@sveltejs/kit';
import { parseSetCookieHeader } from 'better-auth/cookies';
import { NotAllowed } from './server/platform/auth/access';
import { CannotNow } from './server/platform/basics/cannotNow';
import { isImpossibleData } from './server/platform/basics/impossibleData';
import { SentBytes, type SentFile } from './server/platform/sent/sentBytes';
import { FILE_NAME_HEADER } from './shared/fileNameHeader';
import { tooLargeWords } from './shared/tooLarge';

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

/** Answers what cannot be done now with a page that says so, where a link or an address asked for it. */
export async function orErrorPage<T>(work: Promise<T>): Promise<T> {
  try {
    return await orNotFound(work);
  } catch (problem) {
    if (problem instanceof CannotNow) error(409, problem.message);
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

/** What a request brings as JSON; undefined if that is none. Answers 413 for more than a design can be, which is not kept. */
export async function jsonFrom(request: Request): Promise<unknown> {
  const sent = await SentBytes.gather(request.body ?? [], LARGEST_JSON_BYTES);
  if (!sent) error(413, 'This is larger than 500 kB, more than a project can be.');
  try {
    return JSON.parse(Buffer.from(sent.bytes).toString('utf8'));
  } catch {
    return undefined;
  }
}

/**
 * The file that a request is: its bytes, with its name in a header. As a form it would be taken apart in one go, for a
 * tenth of a second in which nobody is answered. Answers 400 for a request without a name, and throws {@link CannotNow}
 * for a file that is too large.
 */
export async function fileFrom(request: Request, mostBytes: number): Promise<SentFile> {
  const name = decoded(request.headers.get(FILE_NAME_HEADER) ?? '');
  if (!name) error(400, 'There is no file in the request.');
  const sent = await SentBytes.gather(request.body ?? [], mostBytes);
  if (!sent) throw new CannotNow(tooLargeWords(name, mostBytes));
  return { name, sent };
}

/** Reads what nobody has read of a request: a browser that is still sending hears no answer. */
export async function passOver({ body, bodyUsed }: Request): Promise<void> {
  // A sender that went away is no matter here.
  if (body && !bodyUsed) await SentBytes.gather(body, 0).catch(() => undefined);
}

/** What was written as a part of an address; empty for what was not. */
function decoded(words: string): string {
  try {
    return decodeURIComponent(words);
  } catch {
    return '';
  }
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
