import { awayFrom } from '../edge.ts';
import { endsOf, sideOf, type Binding } from './relation.ts';

/** A point stays at one place, or with one of its coordinates. */
export interface Held {
  readonly kind: 'held';
  readonly point: number;
  readonly xMm?: number;
  readonly yMm?: number;
}

export const held: Binding<Held> = ({ point, xMm, yMm }) => ({
  points: [point],
  edges: [],
  misses(figure) {
    const [x, y] = figure.point(point);
    return [...(xMm === undefined ? [] : [x - xMm]), ...(yMm === undefined ? [] : [y - yMm])];
  },
});

/** A point lies on the upright line x = 0. */
export interface OnAxis {
  readonly kind: 'onAxis';
  readonly point: number;
}

export const onAxis: Binding<OnAxis> = ({ point }) => ({
  points: [point],
  edges: [],
  misses: (figure) => [figure.point(point)[0]],
});

/** A point lies in the middle between the ends of an edge. */
export interface InMiddle {
  readonly kind: 'inMiddle';
  readonly point: number;
  readonly edge: number;
}

export const inMiddle: Binding<InMiddle> = ({ point, edge }, drawn) => ({
  points: [point, ...endsOf(drawn, [edge])],
  edges: [],
  misses(figure) {
    const [[x, y], [ax, ay], [bx, by]] = [point, edge, figure.after(edge)].map((i) => figure.point(i));
    return [x - (ax + bx) / 2, y - (ay + by) / 2];
  },
});

/** A point lies beside the line of an edge, a distance away; with 0 mm it lies on it. */
export interface Beside {
  readonly kind: 'beside';
  readonly point: number;
  readonly edge: number;
  readonly gapMm: number;
}

export const beside: Binding<Beside> = ({ point, edge, gapMm }, drawn) => {
  const side = sideOf(awayFrom(drawn, edge, drawn.point(point)));
  return {
    points: [point, ...endsOf(drawn, [edge])],
    edges: [edge],
    misses: (figure) => [awayFrom(figure, edge, figure.point(point)) - side * gapMm],
  };
};
