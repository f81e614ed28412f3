import { chromium, type Page } from 'playwright-core';
import postgres from 'postgres';
import { writeStl, writeThreeMf } from '@kelbrin/core/format';
import { nodeWorkshop } from '@kelbrin/core/node';
import { footprintOf } from '@kelbrin/core/plate';
import { chromiumOptions } from '../../ops/chromium.ts';
import { fillQueue } from '../../ops/fullQueue.ts';
import { school } from '../../app/src/lib/server/demo/school.ts';
import { sha256 } from '../../app/src/lib/server/platform/basics/sha256.ts';
import { madeWith } from '../../core/test/solids.ts';
import { Visitor } from './classroom.ts';
import { quantile } from './measure.ts';
import { onDemo } from './onDemo.ts';

/*
 * A batch of twenty parts of three hundred layers each: how long its G-code takes on the server, the first time and when
 * its parts were sliced before, and how many of its layers a browser draws in a second while somebody goes through them.
 */

const PARTS = 20;
const HIGH_MM = 60;
/** Layers are gone through for so long, ms. */
const SCROLL_MS = 10_000;

await onDemo('preview', async ({ origin }, databaseUrl) => {
  await fillQueue(databaseUrl, PARTS, 2);
  const entries = await standTall(databaseUrl);
  const { email, password } = school.teacher;
  const teacher = await Visitor.signIn(origin, { email, password });
  const path = await teacher.act('/queue?/lay', { entry: entries });
  if (!path) throw new Error('The parts were not laid.');
  for (const when of ['first', 'again']) {
    const begun = performance.now();
    const gcode = new TextDecoder().decode(await teacher.get(`${path}/gcode`));
    const seconds = (performance.now() - begun) / 1000;
    const [, layers] = /^; layer 1 of (\d+)$/m.exec(gcode)!;
    console.log(
      `G-code ${when}: ${seconds.toFixed(1)} s, ${(gcode.length / 1e6).toFixed(0)} MB, ${layers} layers`,
    );
  }
  await scrollInBrowser(origin, path);
});

/** Makes tall parts of the files that students have; returns their places in the queue. */
async function standTall(databaseUrl: string): Promise<string[]> {
  const { kernel } = await nodeWorkshop();
  const sql = postgres(databaseUrl, { max: 1, onnotice: () => {} });
  const files = await sql<{ file: string; entry: string }[]>`
    select f.id as file, q.id as entry
    from queue_entries q join print_files f on f.id = q.print_file_id join hand_ins h on h.id = f.hand_in_id
    join projects p on p.id = h.project_id where p.student_id like 'full-%'`;
  for (const [i, { file }] of files.entries()) {
    const mesh = madeWith(kernel, ({ Manifold }) =>
      Manifold.cylinder(HIGH_MM, 14 + i / PARTS, 10, 64)
        .subtract(Manifold.cylinder(HIGH_MM + 1, 4, 4, 48))
        .add(Manifold.cube([8, 4, HIGH_MM - 2]).translate([12, 0, 0])),
    );
    const threeMf = writeThreeMf(mesh, { title: `Tall ${i}` });
    const stl = writeStl(mesh);
    const footprint = { version: 1, value: footprintOf(kernel, mesh) };
    await sql`
      update print_files set three_mf = ${threeMf}, hash = ${sha256(threeMf)}, stl = ${stl}, stl_hash = ${sha256(stl)},
        footprint = ${sql.json(footprint as never)} where id = ${file}`;
  }
  await sql.end();
  return files.map(({ entry }) => entry);
}

/** Goes through the layers by the ruler as fast as they are drawn, and prints how fast that is. */
async function scrollInBrowser(origin: string, path: string): Promise<void> {
  const browser = await chromium.launch(chromiumOptions);
  const context = await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } });
  const { email, password } = school.teacher;
  await context.request.post('/sign-in?/staff', { form: { email, password }, headers: { origin } });
  const page = await context.newPage();
  const begun = performance.now();
  await page.goto(path);
  await page.getByRole('button', { name: 'Layers', exact: true }).click();
  await page
    .getByTestId('layer-words')
    .filter({ hasText: /of\s300/ })
    .waitFor({ timeout: 300_000 });
  console.log(`The browser has its layers after ${((performance.now() - begun) / 1000).toFixed(1)} s.`);
  const gaps = await drawnGaps(page);
  const perS = (1000 * gaps.length) / gaps.reduce((sum, ms) => sum + ms, 0);
  console.log(
    `${gaps.length} layers drawn in ${SCROLL_MS / 1000} s: ${perS.toFixed(0)} a second; ` +
      `from one to the next ${quantile(gaps, 0.5).toFixed(0)} ms, at most ${quantile(gaps, 0.95).toFixed(0)} of nineteen in twenty`,
  );
  await browser.close();
}

/** Asks for another layer in each frame for a while; returns the times from each that was drawn to the next, ms. */
function drawnGaps(page: Page): Promise<number[]> {
  return page.evaluate(async (ms) => {
    const ruler = document.querySelector<HTMLElement>('[role="slider"]')!;
    const canvas = document.querySelector<HTMLCanvasElement>('[data-testid="layer"]')!;
    const pen = canvas.getContext('2d')!;
    const { fillRect } = pen;
    const gaps: number[] = [];
    const begun = performance.now();
    let last = begun;
    // Each drawing begins with the ground.
    pen.fillRect = function (...box) {
      gaps.push(performance.now() - last);
      last = performance.now();
      fillRect.apply(pen, box);
    };
    let key = 'ArrowUp';
    while (performance.now() - begun < ms) {
      await new Promise(requestAnimationFrame);
      if (Number(ruler.getAttribute('aria-valuenow')) > Number(ruler.getAttribute('aria-valuemax')) - 1)
        key = 'ArrowDown';
      ruler.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    }
    return gaps;
  }, SCROLL_MS);
}
