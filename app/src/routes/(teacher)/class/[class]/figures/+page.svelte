<script lang="ts">
  import { innerWidth } from 'svelte/reactivity/window';
  import { goto } from '$app/navigation';
  import { Select } from 'flowbite-svelte';
  import type { ChartConfiguration } from 'chart.js';
  import { checkTitle } from '@kelbrin/core/inspect';
  import { figuresTexts as say } from '$lib/texts/figures';
  import Chart from '$lib/ui/Chart.svelte';
  import { shortDay } from '$lib/ui/times';

  let { data } = $props();
  const { group, days, checks, grams } = $derived(data);

  const wholeNumbers = { beginAtZero: true, ticks: { precision: 0 } };

  // Told apart by dashes as well as by colour.
  const stages = [
    { key: 'begun', borderColor: '#8d8b7c', borderDash: [2, 3], pointStyle: 'circle' },
    { key: 'handedIn', borderColor: '#b87503', borderDash: [8, 4], pointStyle: 'rect' },
    { key: 'approved', borderColor: '#17695b', borderDash: [], pointStyle: 'triangle' },
    { key: 'printed', borderColor: '#22302e', borderDash: [12, 3, 2, 3], pointStyle: 'star' },
  ] as const;

  const progress = $derived<ChartConfiguration<'line'>>({
    type: 'line',
    data: {
      labels: days.map((each) => shortDay(each.day)),
      datasets: stages.map(({ key, borderDash, ...style }) => ({
        ...style,
        label: say[key],
        data: days.map((each) => each[key]),
        borderDash: [...borderDash],
        backgroundColor: style.borderColor,
        stepped: 'before' as const,
      })),
    },
    options: {
      scales: { y: wholeNumbers },
      plugins: {
        // Beside the lines there is no room for it on a telephone.
        legend: {
          position: (innerWidth.current ?? 1280) < 640 ? 'bottom' : 'right',
          labels: { usePointStyle: true },
        },
      },
    },
  });
  const bars = (labels: string[], values: number[]): ChartConfiguration<'bar'> => ({
    type: 'bar',
    data: { labels, datasets: [{ data: values, backgroundColor: '#17695b', maxBarThickness: 22 }] },
    options: { indexAxis: 'y', scales: { x: wholeNumbers }, plugins: { legend: { display: false } } },
  });
  const failing = $derived(
    bars(
      checks.map(({ check }) => checkTitle(check)),
      checks.map(({ projects }) => projects),
    ),
  );
  const printed = $derived(
    bars(
      grams.map(({ name }) => name),
      grams.map((each) => Math.round(each.grams * 10) / 10),
    ),
  );
  const last = $derived(days.at(-1));
</script>

<svelte:head><title>{say.of(group.name)} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-5xl p-6">
  <div class="mb-4 flex flex-wrap items-baseline gap-4">
    <a href="/class/{group.id}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.of(group.name)}</h1>
    {#if data.briefs.length > 0}
      <label class="ml-auto flex items-center gap-2">
        <span class="text-ink-soft">{say.brief}</span>
        <Select
          size="sm"
          class="w-64"
          placeholder=""
          items={data.briefs.map(({ id, title }) => ({ value: id, name: title }))}
          bind:value={
            () => data.briefId ?? '', (id) => void goto(`?brief=${id}`, { keepFocus: true, noScroll: true })
          }
        />
      </label>
    {/if}
  </div>
  {#if data.briefs.length === 0}<p class="text-ink-soft mb-4">{say.noBrief}</p>{/if}
  <section class="sheet mb-4 p-5" aria-labelledby="progress">
    <h2 id="progress" class="mb-2">{say.progress}</h2>
    {#if last}
      <Chart
        label="{say.progress}. {say.progressOf(shortDay(last.day), last.begun, last.approved)}"
        config={progress}
      />
    {:else}<p class="text-ink-soft">{say.nobody}</p>{/if}
  </section>
  <section class="sheet mb-4 p-5" aria-labelledby="checks">
    <h2 id="checks">{say.checks}</h2>
    <p class="text-ink-soft mb-2">{say.checksWhat}</p>
    {#if checks.length > 0}
      <Chart label={say.checksWhat} config={failing} heightPx={60 + 30 * checks.length} />
      <div class="mt-3 overflow-x-auto">
        <table class="w-full text-left">
          <thead>
            <tr class="text-ink-soft">
              <th class="py-1 font-normal">{say.check}</th>
              <th class="py-1 font-normal">{say.failedIn}</th>
              <th class="py-1 font-normal">{say.failsStill}</th>
              <th class="py-1 font-normal">{say.mended}</th>
            </tr>
          </thead>
          <tbody>
            {#each checks as { check, projects, open, medianMinutes } (check)}
              <tr class="border-hairline border-t">
                <th class="py-1 font-semibold">{checkTitle(check)}</th>
                <td>{say.projects(projects)}</td>
                <td>{open === 0 ? '–' : say.projects(open)}</td>
                <td>{medianMinutes === null ? say.notMended : say.lasted(medianMinutes)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {:else}<p class="text-ink-soft">{say.noChecks}</p>{/if}
  </section>
  <section class="sheet p-5" aria-labelledby="grams">
    <h2 id="grams" class="mb-2">{say.grams}</h2>
    {#if grams.length > 0}
      <Chart
        label="{say.grams}: {grams.map((each) => `${each.name} ${each.grams.toFixed(1)} g`).join(', ')}"
        config={printed}
        heightPx={60 + 30 * grams.length}
      />
    {:else}<p class="text-ink-soft">{say.noGrams}</p>{/if}
  </section>
</main>
