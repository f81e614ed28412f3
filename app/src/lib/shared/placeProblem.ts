import { ordinaryHead, type PrintHead } from '@kelbrin/core/machine';
import { conflictsOf, headConflicts, type Placed } from '@kelbrin/core/plate';
import { formatNumber } from '@kelbrin/core/recipe';
import { say } from '@kelbrin/core/words';
import type { LimitsCard } from '@kelbrin/core/inspect';
import { gapOf, plateOf } from './plate.ts';

/** A part of a batch with its place, and whose it is. */
interface Lying extends Omit<Placed, 'id'> {
  readonly entryId: string;
  readonly student: string;
  readonly designedMm: readonly number[] | null;
}

/** How the parts are printed, and on what. */
interface Printed {
  readonly limits: Pick<LimitsCard, 'buildVolumeMm'>;
  readonly choice: { readonly brimMm?: number; readonly isOneByOne?: boolean };
  /** What moves with the nozzle of the printer, where that is known. */
  readonly head?: PrintHead;
}

/** The first thing that is wrong with how parts lie on a plate, in a sentence; nothing where they can be printed so. */
export function placeProblem(
  parts: readonly Lying[],
  { limits, choice, head = ordinaryHead }: Printed,
): string | undefined {
  const placed = parts.map(({ entryId, ...part }) => ({ ...part, id: entryId }));
  const nameOf = (id: string) => parts.find(({ entryId }) => entryId === id)!.student;
  const gapMm = gapOf(choice, head);
  const { pairs, outside } = conflictsOf(placed, plateOf(limits, choice), gapMm);
  if (outside.length > 0)
    return say('The part of {nameOf} reaches over the edge of the plate: move it.', {
      nameOf: nameOf(outside[0]),
    });
  if (pairs.length > 0) {
    const [a, b] = pairs[0].map(nameOf);
    return choice.isOneByOne
      ? say(
          'Between the parts of {a} and {b} the print head needs {mm} mm: arrange them again, or move one of them.',
          {
            a,
            b,
            mm: formatNumber(gapMm),
          },
        )
      : say('The parts of {a} and {b} are too near to each other: move one of them.', { a, b });
  }
  const [high] = choice.isOneByOne ? tooHigh(parts, head) : [];
  return high === undefined
    ? undefined
    : say(
        'The printer’s beam would touch the part of {name}. Printed one after another, all parts but the highest may be {mm} mm high.',
        { name: nameOf(high), mm: formatNumber(head.beamMm) },
      );
}

/** The parts that are too high to be passed over. */
export function tooHigh(
  parts: readonly Pick<Lying, 'entryId' | 'designedMm'>[],
  head: PrintHead = ordinaryHead,
): readonly string[] {
  const standing = parts.map(({ entryId, designedMm }) => ({
    id: entryId,
    heightMm: designedMm?.[2] ?? Infinity,
  }));
  return headConflicts(standing, head);
}
