import { readdir, rename, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { say } from '@kelbrin/core/words';
import { serverConfig } from '../../platform/basics/config.ts';

/** The memory cards that are in a reader of the server now, by the names of their folders. */
export async function cardFolders(reader = serverConfig().KELBRIN_CARDS): Promise<string[]> {
  if (reader === undefined) return [];
  try {
    const entries = await readdir(reader, { withFileTypes: true });
    return entries.filter((entry) => entry.isDirectory() && isCardName(entry.name)).map(({ name }) => name);
  } catch {
    return [];
  }
}

/** Whether a name can be that of a card: a folder of its own, and nothing above it. */
export function isCardName(name: string): boolean {
  return /^[\p{L}\p{N}][\p{L}\p{N} _.-]{0,59}$/u.test(name);
}

/** Why nothing can be written onto a card now, in a sentence; undefined where it is in the reader. */
export async function cardProblem(
  card: string,
  reader = serverConfig().KELBRIN_CARDS,
): Promise<string | undefined> {
  const folder = reader !== undefined && isCardName(card) ? join(reader, card) : undefined;
  const found = folder === undefined ? undefined : await stat(folder).catch(() => undefined);
  if (found?.isDirectory()) return undefined;
  return say('The card “{card}” is not in the reader: put it in, or download the file.', { card });
}

/**
 * Writes a file onto a card: whole, or not at all. Rejects with a sentence when the card is not there or is full.
 */
export async function writeToCard(
  card: string,
  fileName: string,
  text: string,
  reader = serverConfig().KELBRIN_CARDS,
): Promise<void> {
  const problem = await cardProblem(card, reader);
  if (problem !== undefined) throw new Error(problem);
  const folder = join(reader!, card);
  try {
    const half = join(folder, `.${fileName}.part`);
    await writeFile(half, text, { flush: true });
    await rename(half, join(folder, fileName));
  } catch {
    throw new Error(
      say(
        'The file could not be written onto the card “{card}”: is it full or locked? You can download the file.',
        {
          card,
        },
      ),
    );
  }
}
