import type { PrintHead } from '@kelbrin/core/machine';
import type { PrintChoice } from '@kelbrin/core/slice';
import { placeProblem } from '../../../shared/placeProblem.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { BatchPart } from './batchParts.ts';

/**
 * Throws with the names of parts that lie on each other, over the edge, or where the head of the printer would touch them.
 */
export function demandGoodPlaces(parts: readonly BatchPart[], choice: PrintChoice, head?: PrintHead): void {
  const problem = placeProblem(parts, { limits: parts[0].limits, choice, head });
  if (problem !== undefined) throw new CannotNow(problem);
}
