import type { Locator, Page } from '@playwright/test';
import * as hand from './byHand.ts';

/** A student's hands, which count what they do: each press, choice, drag and typed value is one action. */
export class Hands {
  actions = 0;
  constructor(readonly page: Page) {}

  async press(name: string, within: Page | Locator = this.page): Promise<void> {
    this.actions++;
    await within.getByRole('button', { name, exact: true }).first().click();
  }
  /** Types a value into a field that is found by its name, and leaves it. */
  async type(field: Locator, value: string): Promise<void> {
    this.actions++;
    await field.fill(value);
  }
  async key(key: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.press(key);
  }
  async add(label: string): Promise<Locator> {
    if (!(await hand.offers(this.page).isVisible())) this.actions++;
    this.actions++;
    return hand.add(this.page, label);
  }
  async put(within: Locator, name: string, value: string, nth = 0): Promise<void> {
    this.actions++;
    const field = within.getByRole('spinbutton', { name, exact: true }).nth(nth);
    await field.fill(value);
    await field.press('Enter');
  }
  async choose(within: Locator, name: string, label: string, nth = 0): Promise<void> {
    this.actions++;
    await within.getByRole('combobox', { name, exact: true }).nth(nth).selectOption({ label });
  }
  async more(within: Locator, label: string): Promise<void> {
    this.actions++;
    await hand.more(within, label);
  }
  async copyOf(number: number): Promise<Locator> {
    await this.press(`Copy step ${number}`);
    return hand.step(this.page, number + 1);
  }
  /** Drags a piece of an outline by its letter, mm. */
  async drag(letter: string, dx: number, dy: number): Promise<void> {
    this.actions++;
    await hand.dragPiece(this.page, letter, dx, dy);
  }
  /** Types a word where the focus is. */
  async write(word: string): Promise<void> {
    this.actions++;
    await this.page.keyboard.type(word);
  }
  async check(name: string): Promise<void> {
    this.actions++;
    await this.page.getByRole('checkbox', { name, exact: true }).check();
  }
  /** Marks a step by a click on its sentence. */
  async mark(number: number): Promise<void> {
    this.actions++;
    await hand.step(this.page, number).click({ position: { x: 60, y: 8 } });
  }
  /** Clicks places of a drawing, mm. */
  async draw(...places: readonly (readonly [number, number])[]): Promise<void> {
    this.actions += places.length;
    await hand.clickDrawing(this.page, ...places);
  }
  /** Gives a step a file that lies ready. */
  async give(within: Locator, button: string, file: { name: string; text: string }): Promise<void> {
    this.actions++;
    const choosing = this.page.waitForEvent('filechooser');
    await within.getByRole('button', { name: button }).click();
    const buffer = Buffer.from(file.text);
    await (await choosing).setFiles({ name: file.name, mimeType: 'image/svg+xml', buffer });
  }
  async exported(format: string): ReturnType<typeof hand.exported> {
    this.actions += 3;
    return hand.exported(this.page, format);
  }
}

/** The checks that fail, but for what the brief asks beyond the card. */
export const fails = (page: Page) =>
  page.locator('[data-check]:not([data-check=brief])').locator('[data-verdict=fail]');
