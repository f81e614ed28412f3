import { chordLength, isArc } from '../edge.ts';
import { endsOf, type Binding } from './relation.ts';

/** Two edges are as long as each other; two arcs have the same radius. */
export interface Equal {
  readonly kind: 'equal';
  readonly edges: readonly [number, number];
}

export const equal: Binding<Equal> = ({ edges }, drawn) => {
  const [e, f] = edges;
  const areArcs = isArc(drawn, e) && isArc(drawn, f);
  return {
    points: endsOf(drawn, edges),
    edges: areArcs ? edges : [],
    misses(figure) {
      const [long, other] = [chordLength(figure, e), chordLength(figure, f)];
      if (!areArcs) return [long - other];
      // c = 2 r sin(turn), multiplied out so that nothing is divided by a turn near 0.
      const [turn, otherTurn] = [Math.abs(figure.turn(e)), Math.abs(figure.turn(f))];
      return [long * Math.sin(otherTurn) - other * Math.sin(turn)];
    },
  };
};
