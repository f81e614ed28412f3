import { boundsOf, sizeOf, SurfaceTree, type Box, type SolidMesh } from '../mesh/index.ts';
import type { Region } from '../plane/index.ts';
import { facetsOf, recognised } from '../surfaces/index.ts';
import { flatLevels } from './flatLevels.ts';
import { joinedLines, type JoinedLines, type SeenLine } from './joinedLines.ts';
import { measuresOf, type Figure, type ViewMeasures } from './measured.ts';
import { roundFeatures, SAME_PLACE_MM, type RoundFeature } from './roundFeatures.ts';
import { seenEdges } from './seenEdges.ts';
import { outlinesAt, sectionPlane, type SectionWish } from './sectionPlane.ts';
import type { Projection } from './titleBlock.ts';
import { views, type CutPlane, type ViewName } from './views.ts';

/** A section of a part: its areas, and the lines of what lies behind it. */
export interface Section extends CutPlane {
  readonly areas: Region;
  readonly lines: JoinedLines;
}

/** All of a part's drawings that does not depend on their scale, in mm of the part. */
export interface DrawnPart {
  readonly box: Box;
  readonly straight: readonly [top: ViewName, front: ViewName, side: ViewName];
  readonly lines: ReadonlyMap<ViewName, JoinedLines>;
  /** Of each straight view. */
  readonly measures: readonly ViewMeasures[];
  readonly rounds: readonly RoundFeature[];
  readonly section?: Section;
}

/** Visibility is sampled so often along the largest size of a part, and no finer than this, mm. */
const SAMPLES = 400;
const FINEST_MM = 0.2;

/**
 * Looks at a part from all sides of a sheet.
 *
 * @param writing the steps that write letters: what they stand on is measured, and their sides are not
 * @throws RangeError where the mesh is not closed
 */
export function drawnPart(
  mesh: SolidMesh,
  writing: ReadonlySet<number>,
  figure: Figure,
  { projection, section: wish }: { readonly projection: Projection; readonly section: SectionWish },
): DrawnPart {
  const box = boundsOf(mesh);
  const facets = facetsOf(mesh);
  const letters = new Set(
    facets.facets.flatMap(({ triangles }, i) => (writing.has(mesh.stepOf?.[triangles[0]] ?? 0) ? [i] : [])),
  );
  // Letters are full of curves of which none is measured.
  const curved = recognised(facets, letters);
  const tree = new SurfaceTree(mesh);
  const looked = { facets, curved, tree, letters };
  const stepMm = Math.max(FINEST_MM, Math.max(...sizeOf(box)) / SAMPLES);
  const straight = ['top', 'front', projection === 'first' ? 'left' : 'right'] as const;
  const isWriting = (steps: ReadonlySet<number>) => [...steps].every((step) => writing.has(step));
  const rounds = roundFeatures(mesh, facets, curved, tree).filter(({ steps }) => !isWriting(steps));
  const levels = flatLevels(mesh, facets, curved, (step, axis) => axis === 2 || !writing.has(step));
  const plane = sectionPlane(mesh, box, rounds, wish, views[straight[2]]);
  const linesOf = (name: ViewName) =>
    joinedLines(seenEdges(looked, views[name], { stepMm, onlySeen: name === 'corner' }));
  return {
    box,
    straight,
    lines: new Map([...straight, 'corner' as const].map((name) => [name, linesOf(name)])),
    measures: measuresOf(
      straight.map((name) => views[name]),
      { box, roundAbout: roundAbout(mesh), rounds, levels },
      figure,
    ),
    rounds,
    section: plane && sectionOf(plane),
  };

  function sectionOf(cut: CutPlane): Section {
    const areas = outlinesAt(mesh, cut).map(({ points }) => points);
    const rims = areas.flatMap((outline) =>
      outline.map((to, i): SeenLine => ({ from: outline.at(i - 1)!, to, isHidden: false })),
    );
    const behind = seenEdges(looked, cut.view, { stepMm, onlySeen: true, beyondMm: cut.atMm });
    return { ...cut, areas, lines: joinedLines([...rims, ...behind]) };
  }
}

/** The axis along which the outline of a whole part is a circle, if there is one. */
function roundAbout(mesh: SolidMesh): 0 | 1 | 2 | undefined {
  const { min, max } = boundsOf(mesh);
  const size = sizeOf({ min, max });
  const middle = [0, 1, 2].map((axis) => (max[axis] + min[axis]) / 2);
  return ([2, 1, 0] as const).find((axis) => {
    const [u, v] = [0, 1, 2].filter((each) => each !== axis);
    if (Math.abs(size[u] - size[v]) > SAME_PLACE_MM) return false;
    const { positions: p } = mesh;
    let farthest = 0;
    for (const corner of mesh.triangles) {
      farthest = Math.max(farthest, Math.hypot(p[3 * corner + u] - middle[u], p[3 * corner + v] - middle[v]));
    }
    return farthest < size[u] / 2 + SAME_PLACE_MM;
  });
}
