import type { PartChoice } from '@kelbrin/core/slice';

/** The name of what a batch has sliced once: a print file as it is printed. Copies that are printed alike are one piece. */
export function pieceOf({
  hash,
  ownChoice,
}: {
  readonly hash: string;
  readonly ownChoice?: PartChoice | null;
}): string {
  const chosen = Object.entries(ownChoice ?? {}).filter(([, value]) => value !== undefined);
  return chosen.length === 0 ? hash : `${hash} ${JSON.stringify(chosen.toSorted())}`;
}
