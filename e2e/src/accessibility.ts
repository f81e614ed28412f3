import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Has axe look at a page, which must find nothing serious; the test goes on, so that it says all that is found. */
export async function expectNoSeriousFault(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect.soft(serious.map(({ id, nodes }) => `${where} ${id}: ${nodes[0].html}`)).toEqual([]);
}
