import type { Vec3 } from '../mesh/index.ts';
import { fitCircle } from '../plane/index.ts';
import type { Axis } from './axes.ts';
import type { Band, Point2, Recognised } from './band.ts';
import { circleThrough } from './circles.ts';
import type { Facets } from './facets.ts';
import { isSmooth, NEAR_TURN_MM, ON_CIRCLE_MM, UPRIGHT } from './tolerances.ts';
import { plus } from '../mesh/vectors.ts';

/** Joins bands that follow a circle to spheres and tori; the others are cylinders and cones. */
export function* surfacesOf(
  bands: readonly Band[],
  bandOf: ReadonlyMap<number, Band>,
  { edgesOf }: Facets,
  { origin, way }: Axis,
): Generator<Recognised> {
  const neighboursOf = (band: Band): Band[] => {
    const beside = band.facets.flatMap((facet) =>
      edgesOf[facet]
        .filter(({ turn }) => isSmooth(turn))
        .flatMap(({ facets: [, next] }) => bandOf.get(next) ?? []),
    );
    return [...new Set(beside)].filter((other) => other !== band);
  };
  const left = new Set(bands);
  for (const band of bands) {
    if (!left.has(band)) continue;
    const chain = chainAlongCircle(band, neighboursOf, left);
    if (chain) {
      const { circle, members } = chain;
      members.forEach((each) => left.delete(each));
      const facets = members.flatMap((each) => each.facets);
      const middle = plus(origin, way, circle.along);
      yield {
        facets,
        surface:
          Math.abs(circle.away) < 10 * ON_CIRCLE_MM
            ? { kind: 'sphere', origin: middle, axis: way, radiusMm: circle.radiusMm }
            : { kind: 'torus', origin: middle, axis: way, majorMm: circle.away, minorMm: circle.radiusMm },
      };
    }
  }
  for (const { facets, ends, line, cylinder } of left) {
    const [[away, along], [farAway, farAlong]] = ends;
    if (cylinder) yield { facets, surface: cylinder };
    else if (Math.abs(line.along) >= UPRIGHT && Math.abs(farAlong - along) > 1e-6) {
      const slope = (farAway - away) / (farAlong - along);
      yield {
        facets,
        surface: { kind: 'cone', origin: plus(origin, way, along), axis: way, radiusMm: away, slope },
      };
    }
  }
}

interface Circle2 {
  readonly away: number;
  readonly along: number;
  readonly radiusMm: number;
}

/** The bands around one that follow a circle with it; undefined where fewer than three do. */
function chainAlongCircle(
  band: Band,
  neighboursOf: (band: Band) => Band[],
  left: ReadonlySet<Band>,
): { circle: Circle2; members: Band[] } | undefined {
  for (const second of neighboursOf(band).filter((each) => left.has(each))) {
    const circle = circleOf([...band.ends, ...second.ends]);
    if (!circle) continue;
    const isOn = ({ ends }: Band) =>
      ends.every(
        ([away, along]) =>
          Math.abs(Math.hypot(away - circle.away, along - circle.along) - circle.radiusMm) < NEAR_TURN_MM,
      );
    if (!isOn(band) || !isOn(second)) continue;
    const members = [band];
    for (const each of members)
      for (const next of neighboursOf(each))
        if (left.has(next) && !members.includes(next) && isOn(next)) members.push(next);
    if (members.length > 2) return { circle: circleOfAll(members, circle), members };
  }
  return undefined;
}

/** The circle through the three different places among four that two neighbouring bands end in. */
function circleOf(ends: readonly Point2[]): Circle2 | undefined {
  const different = ends.filter(
    ([away, along], i) =>
      !ends.slice(0, i).some(([a, b]) => Math.hypot(a - away, b - along) < 5 * ON_CIRCLE_MM),
  );
  if (different.length !== 3) return undefined;
  const [a, b, c] = different.map(([away, along]): Vec3 => [away, along, 0]);
  const circle = circleThrough(a, b, c);
  return circle && { away: circle.middle[0], along: circle.middle[1], radiusMm: circle.radiusMm };
}

/** The circle that the ends of bands lie about best. */
function circleOfAll(members: readonly Band[], rough: Circle2): Circle2 {
  const fitted = fitCircle(members.flatMap(({ ends }) => ends));
  return fitted ? { away: fitted.middle[0], along: fitted.middle[1], radiusMm: fitted.radius } : rough;
}
