import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Has axe look at a page, which must find nothing serious; the test goes on, so that it says all that is found. */
export async function expectNoSeriousFault(page: Page, where: string): Promise<void> {
  const axe = new AxeBuilder({ page })
    // What is right need not be described.
    .options({ resultTypes: ['violations'] })
    // No page has frames of another origin, so a page of axe's own is not needed to bring their findings together.
    .setLegacyMode();
  const { violations } = await axe.analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect.soft(serious.map(({ id, nodes }) => `${where} ${id}: ${nodes[0].html}`)).toEqual([]);
}
