import { writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { checks, explainCheck, measuredWords, type CheckId } from '@kelbrin/core/inspect';
import { setDown } from '@kelbrin/core/mesh';
import { say, sayList } from '@kelbrin/core/words';
import { readBriefRules, readLimits, readPart } from './files.ts';
import { needsOf } from './needsOf.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';

/** What `inspect --check ID --explain` was asked to do. */
export interface ExplainRequest {
  readonly file: string;
  readonly check: string;
  readonly limits?: string;
  readonly brief?: string;
  /** The folder that drawings are written to. */
  readonly out?: string;
}

/** Of a long list so many entries are shown, and so many drawings are made. */
const SHOWN = 6;
const DRAWN = 8;

/**
 * Makes one check of a part and prints what was worked out on the way, with the time that it took. For each of the first
 * findings it writes a drawing of the section that the finding speaks of. Throws {@link Unusable} for a check that there
 * is not, and for files that cannot be used.
 */
export async function explainCommand(request: ExplainRequest, output: Output): Promise<ExitCode> {
  const known = checks.map(({ id }) => id);
  const id = known.find((each) => each === request.check);
  if (!id)
    throw new Unusable(
      say('There is no check “{check}”: there are {checks}.', {
        check: request.check,
        checks: sayList(known),
      }),
    );
  const limits = await readLimits(request.limits);
  const brief = await readBriefRules(request.brief);
  const { mesh, mended } = await readPart(request.file);
  const down = setDown(mesh);
  const print = await needsOf(down, limits);
  const { result, figures, drawings } = explainCheck(
    down,
    limits,
    { isForeign: true, mended, brief, print },
    id,
  );

  for (const { name, value, ms } of figures) {
    output.out(`${name} (${ms.toFixed(1)} ms)`);
    output.out(JSON.stringify(shortened(value), undefined, 2).replace(/^/gm, '  '));
  }
  const sign = result.rule === 'atLeast' ? '≥' : '≤';
  const measured = result.measured === null ? '–' : measuredWords(result.measured, result.unit);
  const words = result.reason ?? `${measured}, ${sign} ${measuredWords(result.limit, result.unit)}`;
  output.out(`${id}: ${result.verdict}, ${words}`);
  for (const { verdict, message } of result.findings) output.out(`  ${verdict}: ${message}`);
  for (const [i, drawing] of drawings.slice(0, DRAWN).entries())
    output.out(await written(request, id, i, drawing));
  return result.verdict === 'fail' ? 1 : 0;
}

async function written(
  { file, out = '.' }: ExplainRequest,
  id: CheckId,
  i: number,
  drawing: string,
): Promise<string> {
  const path = join(out, `${basename(file)}.${id}.${i + 1}.svg`);
  try {
    await writeFile(path, drawing);
  } catch (error) {
    throw new Unusable(
      say('{path}: the file cannot be written: {message}.', { path, message: (error as Error).message }),
      { cause: error },
    );
  }
  return path;
}

/** A value as it can be read: long lists by their first entries, numbers to four digits. */
function shortened(value: unknown): unknown {
  if (typeof value === 'number') return Number(value.toPrecision(4));
  if (value === null || typeof value !== 'object') return value;
  const list = Array.isArray(value)
    ? (value as unknown[])
    : ArrayBuffer.isView(value)
      ? [...(value as Float64Array)]
      : undefined;
  if (list) {
    const more = list.length > SHOWN ? [`… ${list.length} in all`] : [];
    return [...list.slice(0, SHOWN).map(shortened), ...more];
  }
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, shortened(each)]));
}
