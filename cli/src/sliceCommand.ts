import { writeFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { boundsOf, setDown } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { estimate, settingsFor, slice, writeGcode } from '@kelbrin/core/slice';
import { readLimits, readPart } from './files.ts';
import type { ExitCode, Output } from './outcome.ts';

/** Slices a part file into G-code, placed in the middle of the bed. */
export async function sliceCommand(
  path: string,
  outPath: string,
  limitsPath: string | undefined,
  output: Output,
): Promise<ExitCode> {
  const limits = await readLimits(limitsPath);
  const mesh = setDown((await readPart(path)).mesh);
  const settings = settingsFor(limits);
  const toolpath = slice((await nodeWorkshop()).kernel, mesh, settings);
  const { min, max } = boundsOf(mesh);
  const offsetMm = [0, 1].map((axis) => limits.buildVolumeMm[axis] / 2 - (min[axis] + max[axis]) / 2);
  const gcode = writeGcode(toolpath, settings, {
    offsetMm: [offsetMm[0], offsetMm[1]],
    notes: [basename(path)],
  });
  await writeFile(outPath, gcode);
  const { seconds, grams, layers } = estimate(toolpath, settings);
  output.out(`${outPath}: ${layers} layers, about ${Math.ceil(seconds / 60)} minutes, ${grams.toFixed(1)} g`);
  return 0;
}
