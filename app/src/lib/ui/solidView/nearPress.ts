import {
  Raycaster,
  Vector2,
  Vector3,
  type BufferGeometry,
  type Camera,
  type Intersection,
  type Mesh,
} from 'three';
import { edgeRunOf, type EdgeRun, type MeasuredEnd, type Vec3 } from '@kelbrin/core/mesh';

/** A corner that is as near as this to a press is meant by it, CSS pixels. */
const CORNER_PX = 9;
/** An edge is thinner than a finger. */
const EDGE_PX = 14;
/** What lies behind the surface by less is still seen, mm: an edge that was rounded lies before it, one that was filled behind. */
const SEEN_MM = 2;

/** A view that was pressed, and where. */
export interface Press {
  readonly camera: Camera;
  /** The box of the view on the screen. */
  readonly box: DOMRect;
  /** Where it was pressed, as the browser tells it. */
  readonly at: { readonly clientX: number; readonly clientY: number };
}

/** How far from a press a place is seen, px, to the right and down. */
function wayTo({ camera, box, at }: Press, place: Vector3): readonly [number, number] {
  const seen = place.clone().project(camera);
  return [
    box.left + ((seen.x + 1) / 2) * box.width - at.clientX,
    box.top + ((1 - seen.y) / 2) * box.height - at.clientY,
  ];
}

/** The corner which is so near to a press that it must be meant, if there is one. */
export function cornerNear(press: Press, corners: readonly Vector3[]): Vector3 | undefined {
  return corners.find((corner) => Math.hypot(...wayTo(press, corner)) < CORNER_PX);
}

/**
 * The edge that a press means, by its place among them: the nearest on the screen that the surface does not hide.
 *
 * @param depthMm how far from the eye the surface is that was pressed, if any was
 */
export function edgeNear(
  press: Press,
  edges: readonly { readonly points: readonly Vec3[] }[],
  depthMm: number | undefined,
): number | undefined {
  const eye = press.camera.getWorldPosition(new Vector3());
  let [nearest, nearestPx]: [number | undefined, number] = [undefined, EDGE_PX];
  edges.forEach(({ points }, i) => {
    const places = points.map((point) => new Vector3(...point));
    const ways = places.map((place) => wayTo(press, place));
    for (let k = 1; k < places.length; k++) {
      const share = shareAlong(ways[k - 1], ways[k]);
      const px = Math.hypot(
        ways[k - 1][0] + share * (ways[k][0] - ways[k - 1][0]),
        ways[k - 1][1] + share * (ways[k][1] - ways[k - 1][1]),
      );
      if (px >= nearestPx) continue;
      const mm = places[k - 1].clone().lerp(places[k], share).distanceTo(eye);
      if (depthMm !== undefined && mm > depthMm + SEEN_MM) continue;
      [nearest, nearestPx] = [i, px];
    }
  });
  return nearest;
}

/**
 * What is measured from or to where a part was pressed: a corner of the triangle that was hit, an edge, or the very place.
 * An edge against the background is meant from beside the part as well.
 *
 * @param hit the place of the surface under the press, if there is one
 * @param edges the pieces of edges that can be meant, both ends of each; none where only places are wanted
 */
export function endNear(
  press: Press,
  hit: Intersection | undefined,
  surface: BufferGeometry,
  edges: Float32Array | undefined,
): MeasuredEnd | undefined {
  const piece = edges && edgeNear(press, edgePieces(edges), hit?.distance);
  const edge = piece === undefined ? undefined : edgeRunOf(edges!, piece);
  const plain = ({ x, y, z }: Vector3): Vec3 => [x, y, z];
  if (!hit) return edge && { point: placeOn(edge), normal: [0, 0, 0], edge };
  const { face, point } = hit;
  const normal = plain(face?.normal ?? new Vector3());
  // An arc has corners all along; of a straight edge they are its ends.
  if (edge?.kind === 'round') return { point: plain(point), normal, edge };
  const positions = surface.getAttribute('position');
  const corners = face
    ? [face.a, face.b, face.c].map((i) => new Vector3().fromBufferAttribute(positions, i))
    : [];
  const corner = cornerNear(press, corners);
  return { point: plain(corner ?? point), normal, edge: corner ? undefined : edge };
}

function placeOn(edge: EdgeRun): Vec3 {
  return edge.kind === 'straight' ? edge.from : edge.points[0];
}

function edgePieces(edges: Float32Array): { readonly points: readonly Vec3[] }[] {
  return Array.from({ length: edges.length / 6 }, (_, i) => {
    const [ax, ay, az, bx, by, bz] = edges.subarray(6 * i, 6 * i + 6);
    return {
      points: [
        [ax, ay, az],
        [bx, by, bz],
      ],
    };
  });
}

/** How far along the way between two places their line comes nearest to the origin, from 0 to 1. */
function shareAlong([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): number {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  return square === 0 ? 0 : Math.min(1, Math.max(0, -(ax * dx + ay * dy) / square));
}

/** The places of a surface that lie under a press, the nearest first. */
export function hitsOn({ camera, box, at }: Press, surface: Mesh): Intersection[] {
  const ray = new Raycaster();
  ray.setFromCamera(
    new Vector2(((at.clientX - box.left) / box.width) * 2 - 1, 1 - ((at.clientY - box.top) / box.height) * 2),
    camera,
  );
  return ray.intersectObject(surface);
}
