import { classroomLimits, inspect } from '@kelbrin/core/inspect';
import { triangleCount } from '@kelbrin/core/mesh';
import { everydaySettings, slice } from '@kelbrin/core/slice';
import type { Workshop } from '@kelbrin/core/solid';
import { heightField } from '../../core/test/wildMeshes.ts';
import { bareSections } from './bareSections.ts';
import type { Contest } from './measure.ts';

/** The side of the ground, mm. */
const SIDE_MM = 80;
const hills = (x: number, y: number) =>
  5 + 1.5 * Math.sin((Math.PI * x) / 10) * Math.sin((Math.PI * y) / 10) + 0.4 * Math.sin(2.1 * x + y);
const flat = () => 6;
const REFERENCE = 'the kernel’s bare cross-sections of every layer';

/** Surfaces as other programs make them: hills, whose every section has other outlines, and a flat slab as finely cut up. */
export function wildContests(workshop: Workshop): Contest[] {
  return [
    inspection(workshop, 'hills', hills, 15, 20),
    inspection(workshop, 'hills', hills, 35, 12),
    inspection(workshop, 'hills', hills, 50, 8),
    inspection(workshop, 'hills', hills, 155, 3),
    inspection(workshop, 'a flat slab', flat, 155, 8),
    slicing(workshop, 50, 3),
    { ...inspection(workshop, 'hills', hills, 500, 1), isLong: true },
    { ...inspection(workshop, 'a flat slab', flat, 500, 1), isLong: true },
    { ...slicing(workshop, 155, 1), isLong: true },
  ];
}

function inspection(
  workshop: Workshop,
  what: string,
  top: (x: number, y: number) => number,
  cells: number,
  n: number,
): Contest {
  const mesh = heightField(cells, SIDE_MM, top);
  return {
    name: `inspection of ${what} of ${triangleCount(mesh)} triangles`,
    reference: REFERENCE,
    n,
    // A copy, since what is known of a mesh is kept with it.
    run: () => inspect({ ...mesh, triangles: mesh.triangles.slice() }, classroomLimits, { isForeign: true }),
    runReference: () => bareSections(workshop, mesh),
  };
}

function slicing(workshop: Workshop, cells: number, n: number): Contest {
  const mesh = heightField(cells, SIDE_MM, hills);
  return {
    name: `slicing of hills of ${triangleCount(mesh)} triangles`,
    reference: REFERENCE,
    n,
    run: () => slice(workshop.kernel, mesh, everydaySettings),
    runReference: () => bareSections(workshop, mesh),
  };
}
