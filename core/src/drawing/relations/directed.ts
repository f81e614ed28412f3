import { chordLength, directionOf, wrapped } from '../edge.ts';
import { endsOf, type Binding } from './relation.ts';

/** Two edges run the same way, or at a right angle to each other, wherever they lie. */
export interface Directed {
  readonly kind: 'parallel' | 'square';
  readonly edges: readonly [number, number];
}

export const directed: Binding<Directed> = ({ kind, edges }, drawn) => {
  const [e, f] = edges;
  const scaleMm = (chordLength(drawn, e) + chordLength(drawn, f)) / 2;
  const between = kind === 'parallel' ? 0 : Math.PI / 2;
  return {
    points: endsOf(drawn, edges),
    edges: [],
    misses(figure) {
      const angle = directionOf(figure, f) - directionOf(figure, e) - between;
      return [scaleMm * wrapped(angle, Math.PI)];
    },
  };
};

/** An edge rises by an angle, counted counter-clockwise from level; which of its ends it begins at does not matter. */
export interface Slanted {
  readonly kind: 'slant';
  readonly edge: number;
  readonly degrees: number;
}

export const slanted: Binding<Slanted> = ({ edge, degrees }, drawn) => {
  const scaleMm = chordLength(drawn, edge);
  const slope = (degrees * Math.PI) / 180;
  return {
    points: endsOf(drawn, [edge]),
    edges: [],
    misses: (figure) => [scaleMm * wrapped(directionOf(figure, edge) - slope, Math.PI)],
  };
};
