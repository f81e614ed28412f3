import type { Box } from '@kelbrin/core/mesh';
import { axisIndex, type Axis } from '@kelbrin/core/recipe';
import type { Cut } from '@kelbrin/core/solid';

/** A cut through the middle of a part: an end would show nothing. */
export function middleCut(across: Axis, { min, max }: Box): Cut {
  const i = axisIndex[across];
  return { across, atMm: (min[i] + max[i]) / 2 };
}
