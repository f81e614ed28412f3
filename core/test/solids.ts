import type { Manifold } from 'manifold-3d';
import type { SolidMesh } from '../src/mesh/index.ts';
import { inScope, type Kernel } from '../src/solid/index.ts';
import { toMesh } from '../src/solid/toMesh.ts';

/** Makes a mesh with the kernel alone, for tests that need a solid with a known answer. */
export function madeWith(kernel: Kernel, make: (k: Kernel) => Manifold): SolidMesh {
  return inScope((scope) => toMesh(scope.keep(make(kernel))));
}

/** A plate of 40 × 30 mm with an upright hole in its middle. */
export function plateWithHole(kernel: Kernel, diameterMm: number, thickMm = 6, segments = 48): SolidMesh {
  return madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([40, 30, thickMm], true)
      .subtract(Manifold.cylinder(thickMm + 2, diameterMm / 2, diameterMm / 2, segments, true))
      .translate([0, 0, thickMm / 2]),
  );
}

/** A block of 30 × 20 × 10 mm with a hole that lies left to right through its middle. */
export function blockWithLyingHole(kernel: Kernel, diameterMm: number, segments = 48): SolidMesh {
  return madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([30, 20, 10], true)
      .subtract(Manifold.cylinder(40, diameterMm / 2, diameterMm / 2, segments, true).rotate([0, 90, 0]))
      .translate([0, 0, 5]),
  );
}

/** A cone standing on its small end, whose wall leans out by the given angle from the vertical. */
export function invertedCone(kernel: Kernel, leanDeg: number, segments = 96): SolidMesh {
  const height = 15;
  const low = 5;
  const high = low + height * Math.tan((leanDeg * Math.PI) / 180);
  return madeWith(kernel, ({ Manifold }) => Manifold.cylinder(height, low, high, segments));
}

/** A post of 10 × 10 × 20 mm with a shelf of 4 mm that sticks out 12 mm near its top. */
export function postWithShelf(kernel: Kernel): SolidMesh {
  return madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([10, 10, 20]).add(Manifold.cube([12, 10, 4]).translate([10, 0, 14])),
  );
}

/** A ball that touches the plate with one point. */
export function ball(kernel: Kernel, radiusMm = 10, segments = 64): SolidMesh {
  return madeWith(kernel, ({ Manifold }) => Manifold.sphere(radiusMm, segments).translate([0, 0, radiusMm]));
}

/** A rod of Ø 10 × 40 mm lying left to right; turned so that a facet or an edge of it is lowest. */
export function lyingRod(kernel: Kernel, lowest: 'facet' | 'edge', segments = 64): SolidMesh {
  const spin = lowest === 'facet' ? 180 / segments : 0;
  return madeWith(kernel, ({ Manifold }) =>
    Manifold.cylinder(40, 5, 5, segments, true).rotate([0, 0, spin]).rotate([0, 90, 0]).translate([0, 0, 5]),
  );
}
