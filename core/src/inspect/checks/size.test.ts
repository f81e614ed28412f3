import { expect, it } from 'vitest';
import { boxMesh } from '../../../test/meshes.ts';
import { classroomLimits, inspect } from '../index.ts';

it('what fits is told once, of the whole part and at its origin, as long as it is and with what plastic shrinks', () => {
  const limits = { ...classroomLimits, shrinkagePercent: 0.5 };
  const size = inspect(boxMesh([100, 40, 20]), limits).checks.find(({ id }) => id === 'size')!;
  expect(size.findings).toMatchObject([{ verdict: 'pass', measured: 100, at: [0, 0, 0], triangles: [] }]);
  expect(size.findings[0].message).toContain('99.5 × 39.8 × 19.9');
});
