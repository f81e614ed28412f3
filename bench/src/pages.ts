import { quantile } from './measure.ts';

const TURNS = 30;
/** The first answers pay for compiling and connecting. */
const WARM_UP = 3;

/** Measures how long pages take to answer, one after the other, and prints a table. */
export async function measurePages(pages: Readonly<Record<string, () => Promise<unknown>>>): Promise<void> {
  const table: Record<string, { median: string; p95: string }> = {};
  for (const [name, load] of Object.entries(pages)) {
    const times: number[] = [];
    for (let turn = -WARM_UP; turn < TURNS; turn++) {
      const begun = performance.now();
      await load();
      if (turn >= 0) times.push(performance.now() - begun);
    }
    const ms = (share: number) => `${quantile(times, share).toFixed(0)} ms`;
    table[name] = { median: ms(0.5), p95: ms(0.95) };
  }
  console.table(table);
}
