import { boundsOf, sizeOf, SurfaceTree, type SolidMesh } from '../mesh/index.ts';
import { dot } from '../mesh/vectors.ts';
import { extentOf, type Point, type Region } from '../plane/index.ts';
import { emptyRecipe, stepOffers, type Wanted } from '../recipe/index.ts';
import { joinedLines, seenAt, seenEdges, views } from '../sheet/index.ts';
import { evaluate, RegionMath, type Workshop } from '../solid/index.ts';
import { facetsOf, recognised } from '../surfaces/index.ts';
import { drawnShape, type DrawnShape } from './offerShapes.ts';

/** A small drawing of what a step does, as SVG paths in a box of {@link DRAWING}. */
export interface OfferDrawing {
  /** All of the part that faces the eye, and what of it the step made. */
  readonly part: string;
  readonly made: string;
  /** The lines of the part, and those of what the step made. */
  readonly lines: string;
  readonly madeLines: string;
}

/** The size of the drawings, in their own units; a line is 1 wide. */
export const DRAWING = { width: 56, height: 42 };
const MARGIN = 2;
/** Corners are so near to where they are, in parts of a unit. */
const DIGITS = 1;
const VIEW = views.corner;

/** What each offer and each variant of it does, drawn from a corner, by its id and that of the variant. */
export function offerDrawings(workshop: Workshop): Record<string, OfferDrawing> {
  const all = stepOffers(emptyRecipe()).flatMap(({ id, variants }): Wanted[] => [
    { offer: id },
    // What is sunk looks as what is cut out.
    ...(id === 'sinkShape' ? [] : variants.map((variant) => ({ offer: id, variant: variant.id }))),
  ]);
  return Object.fromEntries(
    all.map((wanted) => {
      const shape = drawnShape(wanted);
      const built = evaluate(shape.recipe, workshop);
      const key = wanted.variant === undefined ? wanted.offer : `${wanted.offer} ${wanted.variant}`;
      if (!built.ok)
        throw new Error(
          `“${key}” cannot be drawn as it is new; say how in core/src/document/offerShapes.ts. ${built.problem.message}`,
        );
      return [key, drawing(built.mesh, shape, new RegionMath(workshop.kernel))];
    }),
  );
}

/** A part from a corner, with some of its triangles told apart. */
function drawing(mesh: SolidMesh, { isMade, isCut }: DrawnShape, math: RegionMath): OfferDrawing {
  const facets = facetsOf(mesh);
  const looked = {
    facets,
    curved: recognised(facets),
    tree: new SurfaceTree(mesh),
    letters: new Set<number>(),
  };
  const stepMm = Math.max(...sizeOf(boundsOf(mesh))) / 300;
  const lines = seenEdges(looked, VIEW, { onlySeen: true, stepMm });
  const madeFacets = new Set(
    facets.facets.flatMap(({ triangles }, i) => (isMade(mesh.stepOf?.[triangles[0]] ?? 0) ? [i] : [])),
  );
  const isOfMade = ({ between }: (typeof lines)[number]) => between!.some((facet) => madeFacets.has(facet));
  const area = (wanted: (facet: number) => boolean): Region => {
    const triangles = facets.facets.flatMap(({ normal, triangles: own }, i) =>
      dot(normal, VIEW.toward) > 1e-4 && wanted(i) ? own : [],
    );
    return math.joined([triangles.map((triangle) => seenTriangle(mesh, triangle))]);
  };
  const before = area((facet) => !madeFacets.has(facet));
  const made = area((facet) => madeFacets.has(facet));
  const whole = math.joined([before, made]);
  const onPaper = placedIn(whole);
  const path = (region: Region, end: string) =>
    region.map((outline) => `M${outline.map((point) => onPaper(point)).join('L')}${end}`).join('');
  const joined = (of: typeof lines) => joinedLines(of).seen as Region;
  return {
    part: path(whole, 'Z'),
    // What was cut is seen through its opening alone; what was added stands in front.
    made: path(isCut ? math.without(made, before) : made, 'Z'),
    lines: path(joined(lines.filter((line) => !isOfMade(line))), ''),
    madeLines: path(joined(lines.filter(isOfMade)), ''),
  };
}

function seenTriangle({ positions, triangles }: SolidMesh, triangle: number): Point[] {
  return [0, 1, 2].map((k) => {
    const at = 3 * triangles[3 * triangle + k];
    return seenAt(VIEW, [positions[at], positions[at + 1], positions[at + 2]]);
  });
}

/** How points of a view are written in the box of a drawing, as large as fits. */
function placedIn(region: Region): (point: Point) => string {
  const { x, y } = extentOf(region);
  const scale = Math.min(
    (DRAWING.width - 2 * MARGIN) / (x.high - x.low),
    (DRAWING.height - 2 * MARGIN) / (y.high - y.low),
  );
  const [left, top] = [
    DRAWING.width / 2 - (scale * (x.low + x.high)) / 2,
    DRAWING.height / 2 + (scale * (y.low + y.high)) / 2,
  ];
  const short = (value: number) => String(Number(value.toFixed(DIGITS)));
  return ([px, py]) => `${short(left + scale * px)} ${short(top - scale * py)}`;
}
