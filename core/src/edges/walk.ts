import type { Surface } from './surface.ts';

/** Edges that follow each other, and whether the last leads to the first again. */
export interface Walk {
  readonly edges: readonly number[];
  readonly isClosed: boolean;
}

/** The edges among some that follow each other by `next`, both ways from each; every edge is in one walk, one way round. */
export function walks(
  { opposite }: Surface,
  among: Iterable<number>,
  next: (edge: number) => number | undefined,
): Walk[] {
  const taken = new Set<number>();
  const take = (edge: number) => taken.add(edge).add(opposite(edge));
  const found: Walk[] = [];
  for (const seed of among) {
    if (taken.has(seed)) continue;
    const edges = [seed];
    take(seed);
    for (let on = next(seed); on !== undefined && !taken.has(on); on = next(on)) {
      take(on);
      edges.push(on);
    }
    const isClosed = edges.length > 2 && next(edges.at(-1)!) === seed;
    // Against the way of the seed, too.
    for (let back = next(opposite(seed)); back !== undefined && !taken.has(back); back = next(back)) {
      take(back);
      edges.unshift(opposite(back));
    }
    found.push({ edges, isClosed });
  }
  return found;
}
