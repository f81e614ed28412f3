import {
  areaOf,
  boundsOf,
  facesOf,
  sizeOf,
  SurfaceTree,
  topologyOf,
  triangleCount,
  volumeOf,
  type Box,
  type Faces,
  type SolidMesh,
  type Topology,
} from '../../mesh/index.ts';
import type { AboutPart } from './aboutPart.ts';
import type { PartFacts } from '../result/inspection.ts';

/** A figure that was worked out on the way to a check's result. */
export interface Figure {
  readonly name: string;
  readonly value: unknown;
  /** How long it took, with what it needed itself. */
  readonly ms: number;
}

/** The part under inspection with what several checks need to know of it, each computed once. */
export interface Subject {
  readonly mesh: SolidMesh;
  readonly box: Box;
  readonly faces: Faces;
  readonly topology: Topology;
  readonly facts: PartFacts;
  /** For finding what lies across; made when it is first asked for. */
  readonly tree: SurfaceTree;
  readonly about: AboutPart;
  /** Hears of each figure that is worked out, if somebody follows the inspection. */
  readonly onFigure?: (figure: Figure) => void;
  /** The ids of the steps that the given triangles belong to, in the order of the recipe. */
  stepsOf(triangles: readonly number[]): string[];
}

/** Prepares a closed mesh that stands on the plate (its lowest point at z = 0). */
export function subjectOf(
  mesh: SolidMesh,
  about: AboutPart = {},
  onFigure?: (figure: Figure) => void,
): Subject {
  const box = boundsOf(mesh);
  let tree: SurfaceTree | undefined;
  return {
    mesh,
    box,
    topology: topologyOf(mesh),
    faces: facesOf(mesh),
    facts: factsOf(mesh),
    about,
    onFigure,
    get tree() {
      return (tree ??= new SurfaceTree(mesh));
    },
    stepsOf(triangles) {
      const { stepOf } = mesh;
      const stepIds = about.origin?.stepIds;
      if (!stepOf || !stepIds) return [];
      const found = new Set(triangles.map((triangle) => stepOf[triangle]));
      return [...found].sort((a, b) => a - b).flatMap((step) => stepIds[step] ?? []);
    },
  };
}

/** What a closed mesh is, whatever its limits. */
export function factsOf(mesh: SolidMesh): PartFacts {
  return {
    sizeMm: sizeOf(boundsOf(mesh)).map(rounded) as [number, number, number],
    volumeMm3: rounded(volumeOf(mesh)),
    areaMm2: rounded(areaOf(mesh)),
    triangles: triangleCount(mesh),
    bodies: topologyOf(mesh).bodies,
  };
}

/** The middle of a triangle, as it is reported. */
export function middleOf({ mesh }: Subject, face: number): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0];
  for (let k = 0; k < 3; k++) {
    for (let axis = 0; axis < 3; axis++) {
      sum[axis] += mesh.positions[3 * mesh.triangles[3 * face + k] + axis] / 3;
    }
  }
  return sum.map(rounded) as [number, number, number];
}

/** A figure as it is reported: three decimals say more than any printer can. */
export function rounded(value: number): number {
  return Math.round(value * 1000) / 1000;
}
