import { formatMm } from '../../recipe/sentence.ts';
import type { Check } from '../check.ts';
import type { Subject } from '../subject.ts';
import { rounded } from '../subject.ts';
import { judge, worst } from '../verdict.ts';
import { restsOnPlate } from './plateContact.ts';

/** Triangles smaller than this are slivers whose direction is mere rounding, mm². */
const SLIVER_MM2 = 1e-5;

/**
 * Finds downward faces with nothing under them and measures how far they lean from the vertical.
 *
 * Faces steeper than the card allows are gathered into connected regions; a region that reaches out no further than one
 * line of plastic is held by the line before it and does not count.
 */
export const overhang: Check = {
  id: 'overhang',
  title: 'Overhang',
  inspect(subject, { maxOverhangDeg, lineWidthMm }) {
    const { mesh, faces } = subject;
    const angleDeg = new Float64Array(faces.areas.length);
    for (let f = 0; f < angleDeg.length; f++) {
      const down = -faces.normals[3 * f + 2];
      if (down <= 0 || faces.areas[f] < SLIVER_MM2 || restsOnPlate(mesh, faces, f)) continue;
      angleDeg[f] = (Math.asin(Math.min(1, down)) * 180) / Math.PI;
    }

    const steep = regionsWhere(subject, (f) => judge(angleDeg[f], 'atMost', maxOverhangDeg) !== 'pass');
    const counted = steep.filter((region) => reachMm(subject, region) > lineWidthMm);
    const ignored = new Set(steep.filter((region) => !counted.includes(region)).flat());
    let steepest = 0;
    angleDeg.forEach((angle, f) => {
      if (angle > steepest && !ignored.has(f)) steepest = angle;
    });

    const findings = counted.map((region) => {
      const worstFace = region.reduce((a, b) => (angleDeg[b] > angleDeg[a] ? b : a));
      const measured = rounded(angleDeg[worstFace]);
      const verdict = judge(angleDeg[worstFace], 'atMost', maxOverhangDeg);
      const leans =
        measured > 89.5
          ? 'A level face hangs here with nothing under it'
          : `A face leans out by ${formatMm(Math.round(measured))}° here with nothing under it`;
      const bound = `the printer manages ${formatMm(maxOverhangDeg)}°`;
      return {
        verdict,
        measured,
        unit: '°' as const,
        at: centroid(subject, worstFace),
        message:
          verdict === 'fail' ? `${leans}; ${bound}.` : `${leans}, which is close to the limit: ${bound}.`,
        steps: subject.stepsOf(region),
        triangles: region,
      };
    });
    return {
      verdict: worst(findings.map(({ verdict }) => verdict)),
      measured: steepest > 0 ? rounded(steepest) : null,
      limit: maxOverhangDeg,
      unit: '°',
      rule: 'atMost',
      findings,
    };
  },
};

/** The connected regions of faces for which `holds`. */
function regionsWhere({ topology }: Subject, holds: (face: number) => boolean): number[][] {
  const count = topology.bodyOf.length;
  const seen = new Uint8Array(count);
  const regions: number[][] = [];
  for (let seed = 0; seed < count; seed++) {
    if (seen[seed] || !holds(seed)) continue;
    seen[seed] = 1;
    const region = [seed];
    for (let i = 0; i < region.length; i++) {
      for (let k = 0; k < 3; k++) {
        const other = topology.neighbours[3 * region[i] + k];
        if (other < 0 || seen[other] || !holds(other)) continue;
        seen[other] = 1;
        region.push(other);
      }
    }
    regions.push(region);
  }
  return regions;
}

/**
 * How far a region reaches out seen from above: twice its area over its outline. That is exact for a ledge of even
 * width around a wall, for a strip that is held along one long side, and for a disc held at its rim.
 */
function reachMm({ mesh, faces, topology }: Subject, region: readonly number[]): number {
  const inside = new Set(region);
  let area = 0;
  let outline = 0;
  for (const face of region) {
    area += faces.areas[face] * Math.abs(faces.normals[3 * face + 2]);
    for (let k = 0; k < 3; k++) {
      if (inside.has(topology.neighbours[3 * face + k])) continue;
      const a = 3 * mesh.triangles[3 * face + k];
      const b = 3 * mesh.triangles[3 * face + ((k + 1) % 3)];
      outline += Math.hypot(
        mesh.positions[a] - mesh.positions[b],
        mesh.positions[a + 1] - mesh.positions[b + 1],
      );
    }
  }
  // A closed surface seen from above can have no outline only if it is a whole body, which cannot face down all over.
  return outline > 0 ? (2 * area) / outline : Infinity;
}

function centroid({ mesh }: Subject, face: number): [number, number, number] {
  const sum: [number, number, number] = [0, 0, 0];
  for (let k = 0; k < 3; k++) {
    for (let axis = 0; axis < 3; axis++)
      sum[axis] += mesh.positions[3 * mesh.triangles[3 * face + k] + axis] / 3;
  }
  return sum.map(rounded) as [number, number, number];
}
