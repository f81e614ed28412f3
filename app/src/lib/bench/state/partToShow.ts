import type { Design } from '@kelbrin/core/design';

/** The part to show of a state that takes the place of another: the one that was shown, or one that was changed. */
export function partToShow({ parts, chosen }: Design, before: Design, shownId: string): string {
  const then = before.parts.map((part) => JSON.stringify(part));
  const changed = parts.filter((part) => !then.includes(JSON.stringify(part))).map(({ id }) => id);
  const isThere = parts.some(({ id }) => id === shownId);
  if (isThere && (changed.length === 0 || changed.includes(shownId))) return shownId;
  return changed[0] ?? (isThere ? shownId : chosen);
}
