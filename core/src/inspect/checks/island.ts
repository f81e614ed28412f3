import { formatMeasured } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import { sectionAt } from '../../mesh/index.ts';
import { OutlineRuns, signedAreaOf } from '../../plane/index.ts';
import { cutOfLayerMm, layerAbove } from '../measure/layers.ts';
import { overlap } from '../measure/risers.ts';
import { middleOf, rounded, type Subject } from '../measure/subject.ts';
import { said, say } from '../../words/index.ts';

/** Corners this close in height lie in one layer. */
const LEVEL_MM = 1e-3;
/** A face leans down, and does not merely stand, if its outward direction points down by this much. */
const DOWN = 1e-3;

/**
 * Finds where material begins in mid-air: a corner, an edge or a face that everything around it lies higher than. The
 * floor of a pocket is as low, but it looks up.
 */
export const island: Check<'island'> = {
  id: 'island',
  get title() {
    return say('Begins in mid-air');
  },
  why: {
    words: said([
      'The nozzle builds from the bottom up.',
      'What begins in mid-air has nothing to lie on and falls down.',
    ]),
    drawing: [
      ['solid', 'M20 52V12H100V52H88V22H32V52Z'],
      ['trouble', 'M54 22H66V40H54Z'],
    ],
  },
  notes: {
    measures:
      'Corners, edges and faces that everything around them lies higher than, other than in the first layer, and that are not of one piece, in the first layer that shows them, with what the layer below holds.',
    limit: 'None.',
    blindSpots: 'What touches another body only in a point counts as beginning there.',
  },
  inspect(subject, { layerMm }) {
    const held = heldInLayers(subject, layerMm);
    const findings = beginnings(subject, layerMm).flatMap((faces) => {
      const { mesh } = subject;
      if (held(faces)) return [];
      const zMm = faces.reduce(
        (least, f) => Math.min(least, lowest(mesh.positions, mesh.triangles, f)),
        Infinity,
      );
      return [
        {
          verdict: 'fail' as const,
          measured: rounded(zMm),
          unit: 'mm' as const,
          at: middleOf(subject, faces[0]),
          message: say(
            'Something begins in mid-air here, {zMm} mm above the plate: its first layer has nothing to lie on.',
            { zMm: formatMeasured(zMm) },
          ),
          steps: subject.stepsOf(faces),
          triangles: faces,
        },
      ];
    });
    return {
      verdict: findings.length > 0 ? 'fail' : 'pass',
      measured: findings.length,
      limit: 0,
      unit: '',
      rule: 'atMost',
      findings,
    };
  },
};

/** Smaller pieces of a layer are not laid, mm². */
const LEAST_LAID_MM2 = 0.05;
/** A beginning is followed upwards over so many layers. */
const MOST_LAYERS = 12;

/**
 * Tells whether what begins at some faces is held as it will be laid: in the first layer that shows it, it is one piece
 * with something that the layer below holds. A hollow in the underside of a hill is so, where it is less deep than a layer.
 */
function heldInLayers(subject: Subject, layerMm: number): (faces: readonly number[]) => boolean {
  const { mesh } = subject;
  const known = new Map<number, OutlineRuns[]>();
  const piecesOf = (layer: number): OutlineRuns[] => {
    const pieces =
      known.get(layer) ??
      sectionAt(mesh, cutOfLayerMm(layer, layerMm))
        .map(({ points }) => new OutlineRuns(points))
        .filter(({ points }) => signedAreaOf(points) > 0);
    known.set(layer, pieces);
    return pieces;
  };
  return (faces) => {
    const z = faces.reduce(
      (least, f) => Math.min(least, lowest(mesh.positions, mesh.triangles, f)),
      Infinity,
    );
    const [x, y] = middleOf(subject, faces[0]);
    const first = layerAbove(z, layerMm);
    let isCrumb = false;
    for (let layer = first; layer < first + MOST_LAYERS; layer++) {
      const piece = piecesOf(layer).find((each) => each.holds([x, y]));
      // A crumb is not laid: what it grows to begins where it is large enough, and what stays one begins nowhere.
      if (piece && isLaid(piece))
        return piecesOf(layer - 1).some((below) => isLaid(below) && overlap(piece, below));
      isCrumb ||= piece !== undefined;
      // What is thinner than a layer is not in its middle yet.
      if (!piece && layer > first) break;
    }
    return isCrumb;
  };
}

/** Whether a piece of a section is as large as a dot of plastic. */
function isLaid({ points }: OutlineRuns): boolean {
  return signedAreaOf(points) >= LEAST_LAID_MM2;
}

/** The faces around each lowest place of the surface that hangs, one list a place. */
function beginnings(
  { mesh: { positions, triangles }, faces, topology }: Subject,
  layerMm: number,
): number[][] {
  const height = (corner: number) => positions[3 * corner + 2];
  // Corners of one height that are joined by edges are one place; a place with a lower neighbour is no beginning.
  const placeOf = Int32Array.from({ length: positions.length / 3 }, (_, i) => i);
  const find = (corner: number): number => {
    while (placeOf[corner] !== corner) corner = placeOf[corner] = placeOf[placeOf[corner]];
    return corner;
  };
  const eachEdge = (visit: (a: number, b: number) => void) => {
    for (let i = 0; i < triangles.length; i++) {
      const next = i % 3 === 2 ? i - 2 : i + 1;
      // Neighbours see the same edge the other way round.
      if (triangles[i] < triangles[next] || topology.neighbours[i] < 0) visit(triangles[i], triangles[next]);
    }
  };
  eachEdge((a, b) => {
    if (Math.abs(height(a) - height(b)) <= LEVEL_MM) placeOf[find(a)] = find(b);
  });
  const hasLower = new Uint8Array(placeOf.length);
  eachEdge((a, b) => {
    if (height(a) < height(b) - LEVEL_MM) hasLower[find(b)] = 1;
    else if (height(b) < height(a) - LEVEL_MM) hasLower[find(a)] = 1;
  });
  const around = new Map<number, number[]>();
  const isFloor = new Uint8Array(placeOf.length);
  for (let i = 0; i < triangles.length; i++) {
    const corner = triangles[i];
    const place = find(corner);
    if (hasLower[place] || height(corner) <= layerMm) continue;
    const face = Math.floor(i / 3);
    if (faces.normals[3 * face + 2] > DOWN) isFloor[place] = 1;
    if (faces.normals[3 * face + 2] > -DOWN) continue;
    const list = around.get(place);
    if (!list) around.set(place, [face]);
    else if (list.at(-1) !== face) list.push(face);
  }
  return [...around].flatMap(([place, list]) => (isFloor[place] ? [] : [list]));
}

function lowest(positions: Float32Array, triangles: Uint32Array, face: number): number {
  return Math.min(...[0, 1, 2].map((k) => positions[3 * triangles[3 * face + k] + 2]));
}
