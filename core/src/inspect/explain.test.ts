import { XMLParser } from 'fast-xml-parser';
import { beforeAll, expect, it } from 'vitest';
import { nodeWorkshop } from '../../node/workshop.ts';
import { built } from '../../test/evaluated.ts';
import { label } from '../../test/recipes.ts';
import { plateWithHole } from '../../test/solids.ts';
import type { SolidMesh } from '../mesh/index.ts';
import { pathAreaOf } from '../../test/pathArea.ts';
import type { Workshop } from '../solid/index.ts';
import { checks, classroomLimits, explainCheck, inspect } from './index.ts';

let workshop: Workshop;
let mesh: SolidMesh;
beforeAll(async () => {
  workshop = await nodeWorkshop();
  ({ mesh } = built(workshop, label('Basil', 1.2)));
});

it('says of each check what the inspection says', () => {
  const limits = { ...classroomLimits, supports: 'plate' as const };
  const known = { brief: { mayBeHeld: true } };
  const whole = inspect(mesh, limits, known);
  for (const { id } of checks)
    expect(explainCheck(mesh, limits, known, id).result).toEqual(whole.checks.find((each) => each.id === id));
});

it('tells what was worked out on the way, what was needed first', () => {
  const names = explainCheck(mesh, classroomLimits, {}, 'wall').figures.map(({ name }) => name);
  expect(names.slice(0, 4)).toEqual([
    'heights',
    'levels at most 16',
    'sections between levels',
    'walls near 0.9 mm',
  ]);
  const { figures } = explainCheck(mesh, classroomLimits, {}, 'overhang');
  expect(figures.map(({ name }) => name)).toContain(
    'ceilings over 45°, further than 0.45 mm, spanned over 10 mm, above 0.2 mm',
  );
  expect(figures.every(({ ms }) => ms >= 0)).toBe(true);
});

it('draws the section at the height of a finding, with the place in it', () => {
  const { result, drawings } = explainCheck(plateWithHole(workshop.kernel, 1.3), classroomLimits, {}, 'hole');
  expect(drawings.length).toBe(result.findings.length);
  const { svg } = new XMLParser({ ignoreAttributes: false }).parse(drawings[0]) as {
    svg: { title: string; path: { '@_d': string }[]; circle: Record<'@_cx' | '@_cy', string> };
  };
  expect(svg.title).toContain('will close up');
  // The plate is 40 × 30 mm; its hole is nearly round.
  expect(pathAreaOf(svg.path[0]['@_d'])).toBeCloseTo(40 * 30 - (Math.PI * 1.3 ** 2) / 4, 1);
  const [x, y] = result.findings[0].at;
  expect(Number(svg.circle['@_cx'])).toBeCloseTo(x, 3);
  expect(-Number(svg.circle['@_cy'])).toBeCloseTo(y, 3);
});
