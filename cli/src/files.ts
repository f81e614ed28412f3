import { readFile, writeFile } from 'node:fs/promises';
import {
  classroomLimits,
  parseBriefRules,
  parseLimits,
  type BriefRules,
  type LimitsCard,
} from '@kelbrin/core/inspect';
import { FormatError, readPart as readPartOf, type ReadSolid } from '@kelbrin/core/format';
import { Unusable } from './outcome.ts';
import { say } from '@kelbrin/core/words';
import { workshop } from './workshop.ts';

/** The bytes of a file; throws {@link Unusable} when it cannot be read. */
export async function readBytes(path: string): Promise<Uint8Array> {
  try {
    return await readFile(path);
  } catch (error) {
    throw new Unusable(`${path}: ${readingProblem(error as NodeJS.ErrnoException)}.`, { cause: error });
  }
}

/** Writes a file; throws {@link Unusable} when it cannot be written. */
export async function writeResult(outPath: string, bytes: Uint8Array | string): Promise<void> {
  try {
    await writeFile(outPath, bytes);
  } catch (error) {
    const { message } = error as Error;
    throw new Unusable(say('{outPath}: the file cannot be written: {message}.', { outPath, message }), {
      cause: error,
    });
  }
}

/** The data of a JSON file; throws {@link Unusable} when it is missing or no JSON. */
export async function readJson(path: string): Promise<unknown> {
  const bytes = await readBytes(path);
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch (error) {
    throw new Unusable(say('{path}: the file is not JSON.', { path }), { cause: error });
  }
}

/** The solid in an STL, 3MF or OBJ file, and what had to be mended; throws {@link Unusable} when there is none. */
export async function readPart(path: string): Promise<ReadSolid> {
  const bytes = await readBytes(path);
  try {
    return readPartOf((await workshop()).kernel, bytes);
  } catch (error) {
    if (error instanceof FormatError) throw new Unusable(`${path}: ${error.message}.`, { cause: error });
    throw error;
  }
}

/** The limits card in a file, or the classroom's when no file is named. */
export async function readLimits(path: string | undefined): Promise<LimitsCard> {
  if (path === undefined) return classroomLimits;
  const parsed = parseLimits(await readJson(path));
  if (!parsed.ok)
    throw new Unusable(
      say('{path}: this is not a limits card: {message}.', { path, message: parsed.message }),
    );
  return parsed.limits;
}

/** What a brief asks, from a file; nothing when no file is named. */
export async function readBriefRules(path: string | undefined): Promise<BriefRules> {
  if (path === undefined) return {};
  const parsed = parseBriefRules(await readJson(path));
  if (!parsed.ok)
    throw new Unusable(
      say('{path}: these are not the rules of a brief: {message}.', { path, message: parsed.message }),
    );
  return parsed.rules;
}

function readingProblem({ code, message }: NodeJS.ErrnoException): string {
  if (code === 'ENOENT') return say('there is no such file');
  if (code === 'EISDIR') return say('this is a folder, not a file');
  if (code === 'EACCES') return say('the file may not be read');
  return message;
}
