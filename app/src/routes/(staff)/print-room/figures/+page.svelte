<script lang="ts">
  import type { ChartConfiguration } from 'chart.js';
  import { batchTexts } from '$lib/texts/batch';
  import { printFiguresTexts as say } from '$lib/texts/printFigures';
  import Chart from '$lib/ui/Chart.svelte';

  let { data } = $props();

  const verdicts = $derived(
    data.byVerdict.map(({ name, ...rest }) => ({ ...rest, name: say.verdicts[name] ?? name })),
  );

  /** Usable and failed parts, a bar for each name. */
  const success = (rows: { name: string; usable: number; all: number }[]): ChartConfiguration<'bar'> => ({
    type: 'bar',
    data: {
      labels: rows.map(({ name }) => name),
      datasets: [
        {
          label: say.usable,
          data: rows.map(({ usable }) => usable),
          backgroundColor: '#3f7d3a',
          maxBarThickness: 22,
        },
        {
          label: say.failed,
          data: rows.map(({ usable, all }) => all - usable),
          backgroundColor: '#b5402a',
          maxBarThickness: 22,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: { x: { stacked: true, beginAtZero: true, ticks: { precision: 0 } }, y: { stacked: true } },
      plugins: { legend: { position: 'right' } },
    },
  });
  const inWords = (rows: { name: string; usable: number; all: number }[]) =>
    rows.map(({ name, usable, all }) => say.share(name, usable, all)).join('; ');
  const failures = $derived<ChartConfiguration<'bar'>>({
    type: 'bar',
    data: {
      labels: data.failures.map(({ outcome }) => batchTexts.outcomes[outcome]),
      datasets: [
        { data: data.failures.map(({ parts }) => parts), backgroundColor: '#b5402a', maxBarThickness: 22 },
      ],
    },
    options: {
      indexAxis: 'y',
      scales: { x: { beginAtZero: true, ticks: { precision: 0 } } },
      plugins: { legend: { display: false } },
    },
  });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-5xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <a href="/print-room" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
  </div>
  {#if data.byPrinter.length === 0}
    <p class="text-ink-soft mb-4">{say.none}</p>
  {:else}
    <section class="sheet mb-4 p-5">
      <h2 class="mb-2">{say.byVerdict}</h2>
      <Chart
        label="{say.byVerdict}. {inWords(verdicts)}"
        config={success(verdicts)}
        heightPx={60 + 34 * verdicts.length}
      />
    </section>
    <section class="sheet mb-4 p-5">
      <h2 class="mb-2">{say.byPrinter}</h2>
      <Chart
        label="{say.byPrinter}. {inWords(data.byPrinter)}"
        config={success(data.byPrinter)}
        heightPx={60 + 34 * data.byPrinter.length}
      />
    </section>
    <section class="sheet mb-4 p-5">
      <h2 class="mb-2">{say.why}</h2>
      {#if data.failures.length > 0}
        <Chart
          label="{say.why}: {data.failures
            .map(({ outcome, parts }) => `${batchTexts.outcomes[outcome]}, ${parts}`)
            .join('; ')}"
          config={failures}
          heightPx={60 + 30 * data.failures.length}
        />
      {:else}<p class="text-ink-soft">{say.noFailures}</p>{/if}
    </section>
  {/if}
  <section class="sheet p-5">
    <h2 class="mb-2">{say.worked}</h2>
    <div class="overflow-x-auto">
      <table class="w-full text-left">
        <thead>
          <tr class="text-ink-soft">
            {#each [say.printer, say.runs, say.finished, say.hours, say.grams, say.sizes] as title (title)}
              <th class="py-1 font-normal">{title}</th>
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each data.worked as { printer, runs, finished, hours, grams, sizes } (printer)}
            <tr class="border-hairline border-t">
              <th class="py-1 font-semibold">{printer}</th>
              <td class="measured">{runs}</td>
              <td class="measured">{finished}</td>
              <td class="measured">{hours.toFixed(1)}</td>
              <td class="measured">{grams.toFixed(1)}</td>
              <td class="measured">{sizes ? say.offBy(sizes.medianMm, sizes.count) : ''}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </section>
</main>
