import { expect, it } from 'vitest';
import { failingFindings, remediesFor, Trials } from '@kelbrin/core/advise';
import { classroomLimits as limits } from '@kelbrin/core/inspect';
import { nodeWorkshop } from '@kelbrin/core/node';
import type { Recipe } from '@kelbrin/core/recipe';
import { demoStudents, school } from './school';

/** Whether anything comes of a search; it goes no further once something does. */
function hasOne(found: Iterable<unknown>): boolean {
  for (const each of found) if (each !== undefined) return true;
  return false;
}

it('at least nine of ten things that fail in the demo class can be mended by one change', async () => {
  const trials = new Trials({ workshop: await nodeWorkshop(), limits, brief: school.brief.rules });
  const tried = (recipe: Recipe) => trials.tried(recipe);
  let failing = 0;
  const unmended: string[] = [];
  for (const { name, recipe } of demoStudents) {
    const now = recipe && tried(recipe);
    if (!now) continue;
    for (const { check, finding } of failingFindings(now.inspection)) {
      failing++;
      const remedies = remediesFor({ recipe, limits, brief: school.brief.rules, now, check, finding, tried });
      if (!hasOne(remedies)) unmended.push(`${name}: ${finding.message}`);
    }
  }
  trials.close();
  expect(failing).toBeGreaterThanOrEqual(3);
  expect(unmended.length / failing, unmended.join('\n')).toBeLessThanOrEqual(0.1);
});
