import { centreOf, chordLength, directionOf, isArc, leftOf, radiusOf, wrapped } from '../edge.ts';
import type { Unknowns } from '../figure.ts';
import { endsOf, sideOf, type Binding } from './relation.ts';

/** Two edges touch: neighbours run into each other without a corner, others touch with their lines and circles. */
export interface Touching {
  readonly kind: 'touching';
  readonly edges: readonly [number, number];
}

export const touching: Binding<Touching> = ({ edges }, drawn) => {
  const [e, f] = edges;
  const misses =
    drawn.after(e) === f
      ? runningOn(drawn, e, f)
      : drawn.after(f) === e
        ? runningOn(drawn, f, e)
        : touchingApart(drawn, e, f);
  return { points: endsOf(drawn, edges), edges, misses };
};

/** The line where one edge ends has the direction of the line where the next begins. */
function runningOn(drawn: Unknowns, edge: number, next: number) {
  const scaleMm = (chordLength(drawn, edge) + chordLength(drawn, next)) / 2;
  return (figure: Unknowns): number[] => {
    const arriving = directionOf(figure, edge) + figure.turn(edge);
    const leaving = directionOf(figure, next) - figure.turn(next);
    return [scaleMm * wrapped(leaving - arriving)];
  };
}

function touchingApart(drawn: Unknowns, e: number, f: number) {
  if (isArc(drawn, e) && isArc(drawn, f)) {
    const radii = (figure: Unknowns) => [e, f].map((edge) => Math.abs(radiusOf(figure, edge)));
    const isInside = centresApart(drawn, e, f) < Math.max(...radii(drawn));
    return (figure: Unknowns): number[] => {
      const [r, s] = radii(figure);
      return [centresApart(figure, e, f) - (isInside ? Math.abs(r - s) : r + s)];
    };
  }
  const [line, arc] = isArc(drawn, e) ? [f, e] : [e, f];
  // Straight edges that are no neighbours touch where one lies in the line of the other.
  if (!isArc(drawn, arc))
    return (figure: Unknowns): number[] => [
      leftOf(figure, line, figure.point(arc)),
      leftOf(figure, line, figure.point(figure.after(arc))),
    ];
  const side = sideOf(leftOf(drawn, line, centreOf(drawn, arc)));
  return (figure: Unknowns): number[] => [
    side * leftOf(figure, line, centreOf(figure, arc)) - Math.abs(radiusOf(figure, arc)),
  ];
}

function centresApart(figure: Unknowns, e: number, f: number): number {
  const [[ax, ay], [bx, by]] = [centreOf(figure, e), centreOf(figure, f)];
  return Math.hypot(bx - ax, by - ay);
}
