<script lang="ts">
  import { sendAction } from '$lib/ui/send';
  import { lookOnNews } from '$lib/live/lookOnNews';
  import BriefsDone from '$lib/weekPlan/BriefsDone.svelte';
  import PlanLanes from '$lib/weekPlan/PlanLanes.svelte';
  import PlannedBatch from '$lib/weekPlan/PlannedBatch.svelte';
  import WhenThere from '$lib/weekPlan/WhenThere.svelte';
  import type { PlannedBatchView, WeekView } from '$lib/shared/weekView';
  import { weekPlanTexts as say } from '$lib/texts/weekPlan';
  import { queueTexts } from '$lib/texts/queue';

  let { data, form } = $props();

  const DAY_MS = 24 * 3600_000;
  /** However fast news come in, the server plans at most this often, ms. */
  const PAUSE_MS = 1500;

  let week = $state.raw<WeekView>();
  let isPlanning = $state(false);
  let hasFailed = $state(false);
  let problem = $derived(form?.message);
  /** The first part of the batch that is looked at: the others may be others in the next plan. */
  let chosen = $state<string>();
  const batch = $derived(week?.batches.find(({ parts }) => parts.some(({ id }) => id === chosen)));
  const days = $derived(
    week ? Math.round(((week.attended.at(-1)?.toMs ?? week.nowMs) - week.nowMs) / DAY_MS) : 0,
  );

  let isStale = false;
  async function plan() {
    isStale = true;
    if (isPlanning) return;
    isPlanning = true;
    while (isStale) {
      isStale = false;
      const answer = await fetch('/plan/week').catch(() => undefined);
      hasFailed = !answer?.ok;
      if (answer?.ok) week = (await answer.json()) as WeekView;
    }
    isPlanning = false;
  }
  $effect(() => lookOnNews(['printroom', 'queue'], PAUSE_MS, () => void plan()));

  async function send(action: string, fields: readonly (readonly [string, string])[]) {
    try {
      await sendAction(action, fields);
      problem = undefined;
    } catch (refused) {
      problem = (refused as Error).message;
    }
    await plan();
  }
  function put(moved: PlannedBatchView, printer: string, atMs: number) {
    chosen = moved.parts[0].id;
    return send('?/pin', [
      ['printer', printer],
      ['at', String(atMs)],
      ...moved.parts.map(({ id }) => ['entry', id] as const),
    ]);
  }
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-7xl p-4 sm:p-6">
  <div class="mb-1 flex flex-wrap items-baseline gap-x-4">
    <a href="/queue" class="text-primary-800 underline underline-offset-2">{queueTexts.title}</a>
    <h1>{say.title}</h1>
    {#if isPlanning}<span class="text-ink-soft" role="status">{say.looking}</span>{/if}
  </div>
  <p class="text-ink-soft mb-4 max-w-3xl">{say.what}</p>
  {#if problem}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">{problem}</p>{/if}
  {#if hasFailed}<p role="alert" class="border-fail bg-fail-wash mb-3 border-l-4 px-3 py-2">
      {say.failed}
    </p>{/if}

  {#if week}
    {#if week.lanes.length === 0}
      <p class="text-ink-soft mb-6">{say.noPrinter}</p>
    {:else}
      <PlanLanes {week} {chosen} choose={(id) => (chosen = id)} {put} />
    {/if}
    {#if batch}
      <PlannedBatch
        {batch}
        lanes={week.lanes}
        put={(printer, atMs) => put(batch, printer, atMs)}
        unpin={(pin) => send('?/unpin', [['pin', pin]])}
        close={() => (chosen = undefined)}
      />
    {/if}
    {#if week.notPlanned > 0}<p class="border-warn bg-warn-wash mb-6 border-l-4 px-3 py-2">
        {say.notPlanned(week.notPlanned)}
      </p>{/if}
    {#if week.outlook.length > 0}
      <BriefsDone outlook={week.outlook} {days} />
    {:else}
      <p class="text-ink-soft mb-6">{say.nothing}</p>
    {/if}
  {/if}
  {#if data.person?.role === 'teacher'}<WhenThere planning={data.planning} />{/if}
</main>
