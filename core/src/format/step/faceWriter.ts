import type { Vec3 } from '../../mesh/index.ts';
import { circleThrough } from '../../surfaces/index.ts';
import { listed, real, type Entities } from './entities.ts';
import type { Corner, Edge, Face } from './shells.ts';
import type { Surface } from '../../surfaces/index.ts';
import { across, dot, lengthOf, minus, plus, times, unit } from '../../mesh/vectors.ts';

/** Points along an edge are this near to its line or circle, mm. */
const ON_CURVE_MM = 1e-4;

/** Writes faces, and each edge and corner between them once. */
export class FaceWriter {
  readonly #edges = new Map<Edge, string>();
  readonly #corners = new Map<Corner, string>();
  constructor(readonly entities: Entities) {}

  face({ surface, isOutward, loops }: Face): string {
    const { entities } = this;
    const lengthOfLoop = (loop: Face['loops'][number]) =>
      loop.reduce((sum, { edge }) => sum + lengthAlong(edge.way), 0);
    const sorted = [...loops].sort((a, b) => lengthOfLoop(b) - lengthOfLoop(a));
    const bounds = sorted.map((loop, i) => {
      const edges = loop.map(({ edge, isForward }) =>
        entities.addNew(`ORIENTED_EDGE('',*,*,${this.#edge(edge)},${isForward ? '.T.' : '.F.'})`),
      );
      const way = entities.addNew(`EDGE_LOOP('',${listed(edges)})`);
      return entities.addNew(`${i === 0 ? 'FACE_OUTER_BOUND' : 'FACE_BOUND'}('',${way},.T.)`);
    });
    const geometry = surfaceOf(entities, surface);
    return entities.addNew(`ADVANCED_FACE('',${listed(bounds)},${geometry},${isOutward ? '.T.' : '.F.'})`);
  }

  #edge(edge: Edge): string {
    let name = this.#edges.get(edge);
    if (!name) {
      const [from, to] = [edge.from, edge.to].map((corner) => this.#corner(corner));
      name = this.entities.addNew(`EDGE_CURVE('',${from},${to},${curveOf(this.entities, edge)},.T.)`);
      this.#edges.set(edge, name);
    }
    return name;
  }

  #corner(corner: Corner): string {
    let name = this.#corners.get(corner);
    if (!name) {
      name = this.entities.addNew(`VERTEX_POINT('',${this.entities.point(corner.point)})`);
      this.#corners.set(corner, name);
    }
    return name;
  }
}

const lengthAlong = (way: readonly Vec3[]) =>
  way.reduce((sum, point, i) => sum + (i === 0 ? 0 : lengthOf(minus(point, way[i - 1]))), 0);

function surfaceOf(entities: Entities, surface: Surface): string {
  const { axis, origin } = surface;
  const place = entities.place(origin, axis, across(axis));
  switch (surface.kind) {
    case 'plane':
      return entities.add(`PLANE('',${place})`);
    case 'cylinder':
      return entities.add(`CYLINDRICAL_SURFACE('',${place},${real(surface.radiusMm)})`);
    case 'cone': {
      // The standard measures the half angle upwards along the axis.
      const isWidening = surface.slope > 0;
      const upright = isWidening ? place : entities.place(origin, times(axis, -1), across(axis));
      const angle = Math.atan(Math.abs(surface.slope));
      return entities.add(`CONICAL_SURFACE('',${upright},${real(surface.radiusMm)},${real(angle)})`);
    }
    case 'sphere':
      return entities.add(`SPHERICAL_SURFACE('',${place},${real(surface.radiusMm)})`);
    case 'torus':
      return entities.add(`TOROIDAL_SURFACE('',${place},${real(surface.majorMm)},${real(surface.minorMm)})`);
  }
}

/** A line, a circle, or a chain of short lines for what is neither. */
function curveOf(entities: Entities, { way }: Edge): string {
  const [first, last] = [way[0], way[way.length - 1]];
  const chord = minus(last, first);
  const isLine =
    lengthOf(chord) > ON_CURVE_MM &&
    way.every((point) => {
      const from = minus(point, first);
      return lengthOf(plus(from, unit(chord), -dot(from, unit(chord)))) < ON_CURVE_MM;
    });
  if (isLine) {
    const vector = entities.add(`VECTOR('',${entities.direction(unit(chord))},1.)`);
    return entities.add(`LINE('',${entities.point(first)},${vector})`);
  }
  const third = Math.floor(way.length / 3);
  const circle = circleThrough(first, way[third], way[2 * third]);
  if (circle) {
    const { middle, radiusMm, axis } = circle;
    const isCircle = way.every((point) => {
      const from = minus(point, middle);
      return Math.abs(lengthOf(from) - radiusMm) < ON_CURVE_MM && Math.abs(dot(from, axis)) < ON_CURVE_MM;
    });
    // Through its points in their order it goes to the left about its axis.
    if (isCircle) {
      const place = entities.place(middle, axis, unit(minus(first, middle)));
      return entities.add(`CIRCLE('',${place},${real(radiusMm)})`);
    }
  }
  const points = way.map((point) => entities.point(point));
  const ends = way.map((_, i) => (i === 0 || i === way.length - 1 ? 2 : 1));
  const knots = way.map((_, i) => real(i));
  return entities.addNew(
    `B_SPLINE_CURVE_WITH_KNOTS('',1,${listed(points)},.POLYLINE_FORM.,.F.,.F.,${listed(ends.map(String))},${listed(knots)},.UNSPECIFIED.)`,
  );
}
