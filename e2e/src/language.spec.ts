import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { exampleSheets } from '../../core/src/machine/index.ts';
import { expect, test } from './kelbrin.ts';

test.use({ file: 'language', language: 'en-XA' });

const root = join(import.meta.dirname, '../..');

/** What the demo school is made of: what people wrote and named, as it stands in the sources of its data. */
const written = ['app/src/lib/server/demo', 'core/src/starters'].flatMap((folder) =>
  readdirSync(join(root, folder), { encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts'))
    .flatMap((file) => wordsPeopleWrote(readFileSync(join(root, folder, file), 'utf8'))),
);

/** The strings of a script that are names or sentences, and what is called by a name in it. */
function wordsPeopleWrote(script: string): string[] {
  const strings = [...script.matchAll(/'((?:[^'\\\n]|\\.)*)'|`([^`]*)`|"([^"\n]*)"/g)];
  const sentences = strings.map(([, a, b, c]) => a ?? b ?? c).filter((words) => /^\p{Lu}|\s/u.test(words));
  const named = [...script.matchAll(/\b(?:name|formula|shared|own|colourName): '([^']+)'/g)].map(
    ([, name]) => name,
  );
  return [...sentences, ...named];
}

/** The same in every language: names of products, formats and units. */
const SAME_EVERYWHERE = [
  'Kelbrin',
  'https',
  'http',
  'Chrome',
  'Chromium',
  'Linux',
  'PLA',
  'PETG',
  'EUR',
  'min',
];
const known = new Set(
  [...SAME_EVERYWHERE, ...written, ...exampleSheets.map(({ name }) => name)].flatMap(
    (words) => words.toLowerCase().match(/[a-z]{3,}/g) ?? [],
  ),
);

/** The English that a page shows or says to those who cannot see it, outside of what people wrote; or the page as it was sent. */
async function englishOn(page: Page, html?: string): Promise<string[]> {
  const shown = await page.evaluate((sent) => {
    const shownIn = sent === undefined ? document : new DOMParser().parseFromString(sent, 'text/html');
    const texts: string[] = [shownIn.title];
    const walker = shownIn.createTreeWalker(shownIn.body, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT);
    for (let node: Node | null = walker.currentNode; node; node = walker.nextNode()) {
      if (node instanceof Text) {
        const parent = node.parentElement!;
        if (!/^(SCRIPT|STYLE|NOSCRIPT|TEXTAREA)$/.test(parent.tagName)) texts.push(node.data);
      } else if (node instanceof Element) {
        for (const name of [
          'aria-label',
          'title',
          'placeholder',
          'alt',
          'aria-valuetext',
          'aria-description',
        ])
          texts.push(node.getAttribute(name) ?? '');
      }
    }
    return texts;
  }, html);
  const english = shown.flatMap((text) => {
    const words = text.replace(/\S+\.3mf|\S+@\S+/g, '').match(/[A-Za-z]{3,}/g) ?? [];
    return words.some((word) => !known.has(word.toLowerCase())) ? [text.trim().replace(/\s+/g, ' ')] : [];
  });
  return [...new Set(english)];
}

/** What has no room on a page for longer words: it is wider than the window, or a button cuts its words off. */
async function tooNarrow(page: Page, widths: readonly number[]): Promise<string[]> {
  const found: string[] = [];
  for (const width of widths) {
    await page.setViewportSize({ width, height: 800 });
    found.push(...(await cutOff(page)).map((fault) => `${fault}, at ${width} px`));
  }
  return found;
}

/** A telephone, a tablet and the computers of a school, px; the last is the one that all else is looked at with. */
const WIDTHS = [390, 768, 1280];
/** Nobody designs on a telephone. */
const FOR_THE_BENCH = WIDTHS.slice(1);

function cutOff(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    if (document.documentElement.scrollWidth > window.innerWidth + 1)
      found.push(`the page is ${document.documentElement.scrollWidth} wide`);
    for (const element of document.querySelectorAll<HTMLElement>('button, a, th, h1, h2, h3, label')) {
      const style = getComputedStyle(element);
      if (element.offsetParent === null || style.overflowX === 'visible' || style.textOverflow === 'ellipsis')
        continue;
      if (element.scrollWidth > element.clientWidth + 1)
        found.push(`“${element.textContent.trim()}” is cut off`);
    }
    return found;
  });
}

/** What is wrong, each with the page where it was seen first. */
const faults = new Map<string, string>();

/** Looks at a page in full. */
async function look(page: Page, name: string, widths: readonly number[] = WIDTHS): Promise<void> {
  for (const fault of [...(await englishOn(page)), ...(await tooNarrow(page, widths))])
    if (!faults.has(fault)) faults.set(fault, name);
}

test.afterEach(() => {
  expect([...faults].map(([fault, name]) => `${name}: ${fault}`)).toEqual([]);
});
test.beforeEach(() => faults.clear());

/** Goes to a page and looks at it, once what it shows is there. */
async function visit(page: Page, path: string): Promise<void> {
  const answer = await page.goto(path);
  expect.soft(answer!.status(), path).toBe(200);
  await page.locator('main h1, main h2').first().waitFor();
  for (const fault of await englishOn(page, await answer!.text()))
    faults.set(fault, `${path}, as it was sent`);
  await look(page, path);
}

/** Where the first link of a page that begins so leads. */
const linkTo = (page: Page, beginning: string) =>
  page.locator(`main a[href^="${beginning}"]`).first().getAttribute('href');

test('every word of every page comes from the catalogue, and longer words have room', async ({ as }) => {
  const nobody = await as();
  await visit(nobody, '/sign-in');
  const missing = await nobody.goto('/no-such-page');
  expect(missing!.status()).toBe(404);
  await look(nobody, 'a page that there is not');

  const teacher = await as('teacher');
  await visit(teacher, '/class');
  const brief = (await linkTo(teacher, '/brief/'))!.split('/')[2];
  const group = (await linkTo(teacher, '/class/'))!.split('/').slice(0, 3).join('/');
  for (const page of ['', '/people', '/log', '/figures']) await visit(teacher, `${group}${page}`);
  await visit(teacher, group.replace('/class/', '/gallery/'));
  await visit(teacher, `/brief/${brief}`);
  await visit(teacher, `/brief/${brief}/teams`);
  await visit(teacher, `/lesson/${brief}`);
  await visit(teacher, (await linkTo(teacher, `/lesson/${brief}/`))!);
  for (const page of [
    '/library',
    '/notices',
    '/staff',
    '/log',
    '/account',
    '/spools',
    '/printers',
    '/machines',
    '/materials?like=PETG',
  ])
    await visit(teacher, page);
  await visit(teacher, '/limits');
  await visit(teacher, (await linkTo(teacher, '/limits/'))!);
  await visit(teacher, '/review');
  await visit(teacher, (await linkTo(teacher, '/review/'))!);
  await visit(teacher, '/review/sheet');
  for (const page of ['/queue', '/plan', '/print-room', '/print-room/figures']) await visit(teacher, page);

  await teacher.goto('/queue');
  await teacher.locator('main [role=checkbox], main input[type=checkbox]').nth(1).check();
  await teacher.locator('#lay button[type=submit]').click();
  await teacher.waitForURL('**/batch/*');
  const batch = new URL(teacher.url()).pathname;
  await visit(teacher, batch);
  await visit(teacher, `${batch}/sheet`);
});

test('every word of the bench comes from the catalogue', async ({ as }) => {
  const student = await as('asha');
  await visit(student, '/home');
  await student.locator('main a[href^="/bench/"]').first().click();
  await student.locator('[data-check]').first().waitFor();
  await expect(student.locator('[data-check=time]')).toContainText(/\d/);
  await look(student, 'the bench', FOR_THE_BENCH);
  // Every kind of step, with what it says of itself where it does not fit.
  await student.locator('[data-add-step]').click();
  await look(student, 'what can be added', FOR_THE_BENCH);
  const offers = await student
    .locator('[data-add]:not([data-add*=" "])')
    .evaluateAll((all) => all.map((each) => each.getAttribute('data-add')!));
  for (const kind of offers) {
    if ((await student.locator('[data-add]').count()) === 0) await student.locator('[data-add-step]').click();
    await student.locator(`[data-add=${kind}]`).click();
    await student.locator('[data-step]').last().getByRole('button').first().waitFor();
    await look(student, `the bench with ${kind}`, FOR_THE_BENCH);
  }
});
