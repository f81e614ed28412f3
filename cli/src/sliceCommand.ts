import { writeFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { facesToHold } from '@kelbrin/core/inspect';
import { boundsOf, setDown, sizeOf } from '@kelbrin/core/mesh';
import { allowedSets, estimate, settingsFor, slice, writeGcode, type Toolpath } from '@kelbrin/core/slice';
import { readLimits, readPart } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { say } from '@kelbrin/core/words';
import { workshop } from './workshop.ts';

/** What is sliced, where the G-code goes, and how it is printed. */
export interface SliceRequest {
  readonly file: string;
  readonly out: string;
  /** The file of the limits card. */
  readonly limits?: string;
  /** Which of the ways to print. */
  readonly set?: string;
}

const choice = new Intl.ListFormat('en-GB', { type: 'disjunction', style: 'long' });

/** Slices a part file into G-code, placed in the middle of the plate. */
export async function sliceCommand(request: SliceRequest, output: Output): Promise<ExitCode> {
  const limits = await readLimits(request.limits);
  const allowed = allowedSets(limits);
  const set = allowed.find(({ id }) => id === (request.set ?? 'everyday'));
  if (!set) {
    throw new Unusable(
      say('This limits card does not allow “{set}”. Choose {sets}.', {
        set: request.set ?? 'everyday',
        sets: choice.format(allowed.map(({ id }) => id)),
      }),
    );
  }
  const mesh = setDown((await readPart(request.file)).mesh);
  const settings = settingsFor(limits, set.id);
  const { min, max } = boundsOf(mesh);
  const sizeMm = sizeOf({ min, max });
  refuseTooLarge(request.file, sizeMm, limits.buildVolumeMm);
  const hanging = settings.supports ? facesToHold(mesh, limits) : [];
  const toolpath = slice((await workshop()).kernel, mesh, settings, hanging);
  refuseNothing(request.file, sizeMm, toolpath);
  const offsetMm = [0, 1].map((axis) => limits.buildVolumeMm[axis] / 2 - (min[axis] + max[axis]) / 2);
  const gcode = writeGcode(toolpath, settings, {
    offsetMm: [offsetMm[0], offsetMm[1]],
    notes: [basename(request.file), say('printed as {name}', { name: set.name.toLowerCase() })],
  });
  await writeFile(request.out, gcode);
  const { seconds, grams, layers } = estimate(toolpath, settings);
  output.out(
    say('{out}: {layers} layers, about {minutes} minutes, {grams} g', {
      out: request.out,
      layers,
      minutes: Math.ceil(seconds / 60),
      grams: grams.toFixed(1),
    }),
  );
  return 0;
}

const inMm = (of: readonly number[]) => of.map((mm) => Math.round(100 * mm) / 100).join(' × ');

/** Throws {@link Unusable} for a part that would be printed beside the plate. */
function refuseTooLarge(file: string, sizeMm: readonly number[], roomMm: readonly number[]): void {
  if (sizeMm.some((mm, axis) => mm > roomMm[axis] + 0.005))
    throw new Unusable(
      say(
        '{file}: the part is {size} mm and the printer has {room} mm: it would be printed beside the plate.',
        {
          file,
          size: inMm(sizeMm),
          room: inMm(roomMm),
        },
      ),
    );
}

/** Throws {@link Unusable} for a part of which nothing would be printed. */
function refuseNothing(file: string, sizeMm: readonly number[], { layers }: Toolpath): void {
  if (layers.every(({ paths }) => paths.every(({ role }) => role === 'skirt')))
    throw new Unusable(
      say('{file}: the part is {size} mm: nothing of it is thick enough to be printed.', {
        file,
        size: inMm(sizeMm),
      }),
    );
}
