import { extentOf, rectangle, type Outline, type Point } from '../../plane/index.ts';
import { middleOf } from './middleOf.ts';

/**
 * A place from which all of an outline is seen, in mm; undefined if there is none. It is the middle of the box around the
 * outline where that does, and otherwise lies amid the places that do: on the inner side of each edge.
 *
 * @param outline counter-clockwise
 */
export function placeSeeingAll(outline: Outline): Readonly<Point> | undefined {
  const middle = middleOf([outline]);
  if (seesAll(middle, outline)) return middle;
  let places: readonly Point[] = rectangle(extentOf([outline]));
  for (let i = 0; i < outline.length && places.length > 0; i++)
    places = leftOf(places, outline.at(i - 1)!, outline[i]);
  if (places.length === 0) return undefined;
  const amid = [0, 1].map((axis) => places.reduce((sum, place) => sum + place[axis] / places.length, 0));
  const place: Point = [amid[0], amid[1]];
  return seesAll(place, outline) ? place : undefined;
}

/** Whether an outline goes around a place without ever turning back, so that all of it is seen from there. */
function seesAll([x, y]: Readonly<Point>, outline: Outline): boolean {
  let [lastX, lastY] = outline[outline.length - 1];
  return outline.every(([atX, atY]) => {
    const turn = (lastX - x) * (atY - y) - (lastY - y) * (atX - x);
    [lastX, lastY] = [atX, atY];
    return turn > 0;
  });
}

/** What of a convex shape lies left of a line. */
function leftOf(shape: readonly Point[], from: Readonly<Point>, to: Readonly<Point>): Point[] {
  const sideOf = ([x, y]: Point) => (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]);
  const sides = shape.map(sideOf);
  return shape.flatMap((at, i): Point[] => {
    const [before, lastSide] = [shape.at(i - 1)!, sides.at(i - 1)!];
    const isCrossed = lastSide < 0 !== sides[i] < 0;
    const share = lastSide / (lastSide - sides[i]);
    const crossing: Point = [
      before[0] + share * (at[0] - before[0]),
      before[1] + share * (at[1] - before[1]),
    ];
    return [...(isCrossed ? [crossing] : []), ...(sides[i] < 0 ? [] : [at])];
  });
}
