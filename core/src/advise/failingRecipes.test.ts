import { beforeAll, describe, expect, it } from 'vitest';
import { failingRecipes, type FailingRecipe } from '../../test/failing/index.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { classroomLimits as limits } from '../inspect/index.ts';
import type { Workshop } from '../solid/index.ts';
import { failingFindings, ranked, remediesFor, Trials, type Remedy } from './index.ts';

let workshop: Workshop;
beforeAll(async () => (workshop = await nodeWorkshop()));

/** What is offered for the finding that is asked about, the best first; everything failing, and all tried, with it. */
function offeredFor({ recipe, brief, asked }: FailingRecipe): { offers: Remedy[]; trials: Trials } {
  const trials = new Trials({ workshop, limits, brief });
  const now = trials.tried(recipe)!;
  const failing = failingFindings(now.inspection).find(({ check }) => check.id === asked);
  expect(failing, `${asked} fails`).toBeDefined();
  const trouble = { recipe, limits, brief, now, ...failing!, tried: trials.tried.bind(trials) };
  return { offers: ranked([...remediesFor(trouble)].filter((each) => each !== undefined)), trials };
}

const doesWhatATeacherWould = ({ says, between }: FailingRecipe, { words }: Remedy): boolean => {
  const [, number] = says.exec(words)?.filter((group) => group !== undefined) ?? [undefined, undefined];
  if (!says.test(words)) return false;
  return !between || (Number(number) >= between[0] && Number(number) <= between[1]);
};

describe('what is offered first', () => {
  it.each(failingRecipes.map((failing) => [failing.name, failing] as const))(
    'is what a teacher would choose, for %s',
    (_, failing) => {
      const { offers, trials } = offeredFor(failing);
      const told = offers.map(({ words }) => words).join('\n');
      expect(
        offers.length > 0 && doesWhatATeacherWould(failing, offers[0]),
        `${failing.teacher}\n${told}`,
      ).toBe(true);
      // It is what it says: nothing that passed fails now, and where it says that nothing fails, nothing does.
      const before = trials.tried(failing.recipe)!.inspection;
      for (const { recipe, failsLeft } of offers) {
        const after = trials.tried(recipe)!.inspection;
        const fails = after.checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id);
        expect(fails).toHaveLength(failsLeft);
        const failed = before.checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id);
        expect(failed).toEqual(expect.arrayContaining(fails));
      }
      trials.close();
    },
  );
});
