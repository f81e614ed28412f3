import { CannotNow } from '../basics/cannotNow.ts';
import { TaskFailure } from './taskFailure.ts';

/** What a worker answers to a file that it was asked to read. */
type Reading = { readonly ok: true } | { readonly ok: false; readonly problem: string };

/** What was read of a file that somebody sent; throws {@link CannotNow} with a sentence that names it where it could not be. */
export async function readSent<R extends Reading>(
  name: string,
  reading: Promise<R>,
): Promise<Extract<R, { ok: true }>> {
  const read = await reading.catch((problem: unknown) => {
    if (problem instanceof TaskFailure) throw new CannotNow(`${name}: ${problem.message}`);
    throw problem;
  });
  if (!read.ok) throw new CannotNow(`${name}: ${read.problem}.`);
  return read as Extract<R, { ok: true }>;
}
