import { boundsOf, onlyFaces, volumeOf, type SolidMesh, type Vec3 } from '../../mesh/index.ts';
import { facetsOf } from '../../surfaces/index.ts';
import { recognised } from '../../surfaces/index.ts';
import { flatRegions, halves, type Region } from './regions.ts';
import { offSurface, ontoAll, type Surface } from '../../surfaces/index.ts';
import { dot } from '../../mesh/vectors.ts';

/** A face of a solid: a piece of one surface. */
export interface Face {
  readonly surface: Surface;
  /** Whether the surface's own way outwards, from its axis or along its normal, leads out of the solid. */
  readonly isOutward: boolean;
  readonly loops: readonly Loop[];
}

/** Faces that hang together: the outside of a solid, or of a hollow in one. */
export interface Shell {
  readonly faces: readonly Face[];
  readonly isHollow: boolean;
  /** Its box. */
  readonly min: Vec3;
  readonly max: Vec3;
}

/** A closed way around a face, which lies to its left as seen from outside. */
export type Loop = readonly { readonly edge: Edge; readonly isForward: boolean }[];

/** A piece of the border between two faces, from one corner to another. */
export interface Edge {
  readonly from: Corner;
  readonly to: Corner;
  /** Points along it, both ends among them, on both surfaces. */
  readonly way: readonly Vec3[];
}

export interface Corner {
  readonly point: Vec3;
}

/**
 * Corners of true surfaces lie this near to all of them, mm, which is within what readers are told to take as one; where
 * they cannot, the smallest of the surfaces is left as its facets.
 */
const MOST_OFF_MM = 9e-3;
/** Points along a curved edge for each edge of the mesh. */
const DIVISIONS = 4;
/** A mesh of more triangles is written as it is: looking for surfaces would take minutes. */
const MOST_TRIANGLES = 60_000;

/**
 * The shells of a closed mesh, of true surfaces where facets stand for one and as planes elsewhere, with the borders where
 * they meet.
 * @throws RangeError where the mesh is not closed
 */
export function shellsOf(mesh: SolidMesh): Shell[] {
  const all = facetsOf(mesh);
  let curved = mesh.triangles.length / 3 > MOST_TRIANGLES ? [] : recognised(all);
  for (;;) {
    const regions = [...curved.flatMap((each) => halves(each, all)), ...flatRegions(all, curved)];
    const built = new Borders(mesh, all.points, all.facetOf, regions);
    // What its corners do not lie on is no true surface.
    const wrong = new Set([...built.wrong].flatMap((region) => regions[region].of ?? []));
    if (wrong.size === 0) return built.shells();
    curved = curved.filter((each) => !wrong.has(each));
  }
}

/** The borders between regions of a mesh, brought onto their surfaces. */
class Borders {
  readonly wrong = new Set<number>();
  readonly #mesh: SolidMesh;
  readonly #points: readonly Vec3[];
  readonly #regions: readonly Region[];
  readonly #regionOf: Int32Array;
  /** The triangle to the left of each edge of the mesh. */
  readonly #triangleAt = new Map<number, number>();
  readonly #corners = new Map<number, Corner>();
  /** The next edge of the border after one, seen from the same region. */
  readonly #edges = new Map<number, { edge: Edge; isForward: boolean; end: number }>();

  constructor(mesh: SolidMesh, points: readonly Vec3[], facetOf: Int32Array, regions: readonly Region[]) {
    this.#mesh = mesh;
    this.#points = points;
    this.#regions = regions;
    const regionOfFacet = new Map(regions.flatMap(({ facets }, i) => facets.map((facet) => [facet, i])));
    this.#regionOf = Int32Array.from(facetOf, (facet) => regionOfFacet.get(facet)!);
    for (let t = 0; t < facetOf.length; t++)
      for (let k = 0; k < 3; k++) this.#triangleAt.set(this.#key(this.#at(t, k), this.#at(t, k + 1)), t);
    this.#build();
  }

  shells(): Shell[] {
    const loops = this.#loops();
    const faces = this.#regions.map(({ surface, normal, at }, i): Face => ({
      surface,
      isOutward: dot(offSurface(surface, at).way, normal) > 0,
      loops: loops.get(i) ?? [],
    }));
    const bodyOf = this.#bodies();
    return [...new Set(bodyOf)].map((body) => {
      const own = onlyFaces(
        this.#mesh,
        Array.from(this.#regionOf.keys()).filter((triangle) => bodyOf[this.#regionOf[triangle]] === body),
      );
      // Seen from outside, the triangles around a hollow turn the other way.
      return {
        faces: faces.filter((_, i) => bodyOf[i] === body),
        isHollow: volumeOf(own) < 0,
        ...boundsOf(own),
      };
    });
  }

  #at(triangle: number, k: number): number {
    return this.#mesh.triangles[3 * triangle + (k % 3)];
  }

  #key(from: number, to: number): number {
    return from * this.#points.length + to;
  }

  #left(from: number, to: number): number {
    return this.#regionOf[this.#triangleAt.get(this.#key(from, to))!];
  }

  /** The edge of the border of a region that follows one, around the corner where it ends. */
  #next(from: number, to: number): [number, number] {
    const region = this.#left(from, to);
    let triangle = this.#triangleAt.get(this.#key(from, to))!;
    for (;;) {
      const k = [0, 1, 2].find((i) => this.#at(triangle, i) === to)!;
      const onward = this.#at(triangle, k + 1);
      const beyond = this.#triangleAt.get(this.#key(onward, to))!;
      if (this.#regionOf[beyond] !== region) return [to, onward];
      triangle = beyond;
    }
  }

  #build(): void {
    // Every edge of the mesh between two regions, and how many of them leave each corner.
    const border: [number, number][] = [];
    const leaving = new Map<number, Set<number>>();
    for (const [key] of this.#triangleAt) {
      const [from, to] = [Math.floor(key / this.#points.length), key % this.#points.length];
      if (this.#left(from, to) === this.#left(to, from)) continue;
      border.push([from, to]);
      const regions = leaving.get(from) ?? new Set();
      leaving.set(from, regions.add(this.#left(from, to)).add(this.#left(to, from)));
    }
    const degree = new Map<number, number>();
    for (const [from] of border) degree.set(from, (degree.get(from) ?? 0) + 1);
    const isCorner = (vertex: number) => leaving.get(vertex)!.size > 2 || degree.get(vertex)! !== 2;
    const walked = new Set<number>();
    const walk = (from: number, to: number) => {
      if (walked.has(this.#key(from, to))) return;
      const vertices = [from, to];
      let [a, b] = [from, to];
      while (!isCorner(b) && b !== from) {
        [a, b] = this.#next(a, b);
        vertices.push(b);
      }
      this.#addEdge(vertices);
      for (let i = 1; i < vertices.length; i++) {
        walked.add(this.#key(vertices[i - 1], vertices[i]));
        walked.add(this.#key(vertices[i], vertices[i - 1]));
      }
    };
    for (const [from, to] of border) if (isCorner(from)) walk(from, to);
    // What is left are borders without corners: the rims of holes.
    for (const [from, to] of border) walk(from, to);
  }

  #addEdge(vertices: readonly number[]): void {
    const regions = [this.#left(vertices[0], vertices[1]), this.#left(vertices[1], vertices[0])];
    const surfaces = regions.map((region) => this.#regions[region].surface);
    const ends = [vertices[0], vertices[vertices.length - 1]].map((vertex) => this.#cornerAt(vertex));
    const isStraight = surfaces.every(({ kind }) => kind === 'plane');
    const way: Vec3[] = [ends[0].point];
    if (!isStraight) {
      for (let i = 1; i < vertices.length; i++) {
        const [p, q] = [this.#points[vertices[i - 1]], this.#points[vertices[i]]];
        for (let k = 1; k <= DIVISIONS; k++) {
          if (i === vertices.length - 1 && k === DIVISIONS) break;
          const share = k / DIVISIONS;
          const place: Vec3 = [0, 1, 2].map(
            (axis) => p[axis] + share * (q[axis] - p[axis]),
          ) as unknown as Vec3;
          way.push(this.#onto(regions, place));
        }
      }
    }
    way.push(ends[1].point);
    const edge: Edge = { from: ends[0], to: ends[1], way };
    for (let i = 1; i < vertices.length; i++) {
      const end = vertices.length - 1;
      if (i === 1)
        this.#edges.set(this.#key(vertices[0], vertices[1]), {
          edge,
          isForward: true,
          end: vertices[end - 1],
        });
      if (i === end)
        this.#edges.set(this.#key(vertices[i], vertices[i - 1]), {
          edge,
          isForward: false,
          end: vertices[1],
        });
    }
  }

  #cornerAt(vertex: number): Corner {
    let corner = this.#corners.get(vertex);
    if (!corner) {
      corner = { point: this.#onto([...this.#regionsAround(vertex)], this.#points[vertex]) };
      this.#corners.set(vertex, corner);
    }
    return corner;
  }

  #around: number[][] | undefined;
  #regionsAround(vertex: number): Set<number> {
    if (!this.#around) {
      this.#around = this.#points.map(() => []);
      for (let t = 0; t < this.#regionOf.length; t++)
        for (let k = 0; k < 3; k++) this.#around[this.#at(t, k)].push(this.#regionOf[t]);
    }
    return new Set(this.#around[vertex]);
  }

  #onto(regions: readonly number[], place: Vec3): Vec3 {
    const curved = regions.filter((region) => this.#regions[region].of);
    // Facets meet in the corners of the mesh.
    if (curved.length === 0) return place;
    const { point, offMm } = ontoAll(
      [...new Set(regions.map((region) => this.#regions[region].surface))],
      place,
    );
    if (offMm > MOST_OFF_MM) {
      const size = (region: number) => this.#regions[region].of!.facets.length;
      this.wrong.add(curved.reduce((a, b) => (size(b) < size(a) ? b : a)));
    }
    return point;
  }

  #loops(): Map<number, Loop[]> {
    const loops = new Map<number, Loop[]>();
    const walked = new Set<number>();
    for (const start of this.#edges.keys()) {
      if (walked.has(start)) continue;
      const region = this.#left(Math.floor(start / this.#points.length), start % this.#points.length);
      const loop: { edge: Edge; isForward: boolean }[] = [];
      let key = start;
      while (!walked.has(key)) {
        walked.add(key);
        const { edge, isForward, end } = this.#edges.get(key)!;
        loop.push({ edge, isForward });
        // The last edge of the mesh along it, and the one that follows.
        const last = this.#cornerOf(isForward ? edge.to : edge.from);
        key = this.#key(...this.#next(end, last));
      }
      loops.set(region, [...(loops.get(region) ?? []), loop]);
    }
    return loops;
  }

  #vertexOf: Map<Corner, number> | undefined;
  #cornerOf(corner: Corner): number {
    this.#vertexOf ??= new Map([...this.#corners].map(([vertex, each]) => [each, vertex]));
    return this.#vertexOf.get(corner)!;
  }

  /** Which body each region bounds. */
  #bodies(): number[] {
    const parent = this.#regions.map((_, i) => i);
    const rootOf = (i: number): number => (parent[i] === i ? i : (parent[i] = rootOf(parent[i])));
    for (const [key] of this.#triangleAt) {
      const [from, to] = [Math.floor(key / this.#points.length), key % this.#points.length];
      parent[rootOf(this.#left(from, to))] = rootOf(this.#left(to, from));
    }
    return parent.map((_, i) => rootOf(i));
  }
}
