import { FormatError, readSvg } from '@kelbrin/core/format';
import { RegionMath, type Kernel } from '@kelbrin/core/solid';
import type { ReadDrawing } from './messages';

/** The outlines of an SVG file, or in a sentence why it has none that can be used. */
export function readDrawing(source: string, kernel: Kernel): ReadDrawing {
  try {
    return { ok: true, drawing: readSvg(source, new RegionMath(kernel)) };
  } catch (error) {
    if (!(error instanceof FormatError)) throw error;
    return { ok: false, reason: error.message };
  }
}
