import { centreOf, chordLength } from '../edge.ts';
import { endsOf, type Binding } from './relation.ts';

/** An arc has a radius. */
export interface Radius {
  readonly kind: 'radius';
  readonly edge: number;
  readonly radiusMm: number;
}

export const radius: Binding<Radius> = ({ edge, radiusMm }, drawn) => ({
  points: endsOf(drawn, [edge]),
  edges: [edge],
  misses: (figure) => [chordLength(figure, edge) - 2 * radiusMm * Math.sin(Math.abs(figure.turn(edge)))],
});

/** Two arcs have one centre. */
export interface SameCentre {
  readonly kind: 'sameCentre';
  readonly edges: readonly [number, number];
}

export const sameCentre: Binding<SameCentre> = ({ edges }, drawn) => ({
  points: endsOf(drawn, edges),
  edges,
  misses(figure) {
    const [[ax, ay], [bx, by]] = [centreOf(figure, edges[0]), centreOf(figure, edges[1])];
    return [bx - ax, by - ay];
  },
});
