import { dragged, type Figure, type Relation } from '@kelbrin/core/drawing';
import type { Point } from '@kelbrin/core/plane';
import type { Contest } from './measure.ts';

const POINTS = 40;

/** A drawing of forty points: a chain of set lengths with arcs of one radius between them, both its ends free. */
function chain(): { figure: Figure; relations: Relation[] } {
  const points = Array.from({ length: POINTS }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / POINTS;
    return [30 * Math.cos(turn), 30 * Math.sin(turn)];
  });
  const bends = points.map((_, i) => (i % 4 === 0 ? 0.12 : 0));
  const relations = points.flatMap((_, i): Relation[] => [
    ...(i < POINTS - 2
      ? [
          {
            kind: 'apart' as const,
            points: [i, i + 1] as const,
            measured: 'straight' as const,
            lengthMm: 4.7,
          },
        ]
      : []),
    ...(i % 4 === 0 ? [{ kind: 'radius' as const, edge: i, radiusMm: 20 }] : []),
  ]);
  return {
    figure: { points, bends },
    relations: [{ kind: 'held', point: 0, xMm: 30, yMm: 0 }, ...relations],
  };
}

/** A point of forty that is led by the pointer, all others following by their rules: at 60 a second it has 16 ms. */
export function draggedDrawing(): Contest {
  const { figure, relations } = chain();
  let [own, other] = [figure, figure];
  let moves = 0;
  const to = (): Point => [-30 + 6 * Math.sin(moves / 20), 6 * Math.sin(moves++ / 13)];
  return {
    name: `a point of ${POINTS} led by the pointer, ${relations.length} rules`,
    reference: 'the same without rules',
    n: 400,
    run: () => void (own = dragged(own, relations, POINTS / 2, to())),
    runReference: () => void (other = dragged(other, [], POINTS / 2, to())),
  };
}
