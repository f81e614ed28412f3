<script lang="ts">
  import { enhance } from '$app/forms';
  import { Button, Textarea } from 'flowbite-svelte';
  import type { Finding } from '@kelbrin/core/inspect';
  import RecipeSolid from '$lib/review/RecipeSolid.svelte';
  import ReadOnlyRecipe from '$lib/review/ReadOnlyRecipe.svelte';
  import { follow } from '$lib/ui/follow.svelte';
  import InspectionList from '$lib/ui/InspectionList.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';

  let { data, form } = $props();

  let marked = $state<string>();
  let chosen = $state.raw<Finding>();
  const { handIn } = $derived(data);
  const inspection = $derived(handIn.inspection);
  const size = $derived(inspection?.part.sizeMm.map((mm) => Math.round(mm * 10) / 10).join(' × '));

  follow(() => [`project:${data.projectId}`]);

  $effect(() => {
    void handIn.id;
    marked = undefined;
    chosen = undefined;
  });

  function choose(finding: Finding): void {
    chosen = chosen === finding ? undefined : finding;
    if (chosen && finding.steps.length > 0) marked = finding.steps.at(-1);
  }
</script>

<svelte:head><title>{data.student} · Review · Kelbrin</title></svelte:head>

<main class="flex h-[calc(100vh-3rem)] flex-col">
  <div class="border-hairline flex h-12 shrink-0 items-center gap-3 border-b bg-white px-4">
    <a href="/review" class="text-primary-800 underline underline-offset-2">Review</a>
    <h1 class="truncate text-lg">{data.student}: {data.brief.title}, v{handIn.number}</h1>
    {#if inspection}<VerdictChip verdict={inspection.verdict} />{/if}
  </div>

  <div class="flex min-h-0 flex-1">
    <section
      class="border-hairline flex w-[360px] shrink-0 flex-col overflow-y-auto border-r bg-white"
      aria-label="Recipe"
    >
      <ReadOnlyRecipe recipe={handIn.recipe} {marked} onmark={(stepId) => (marked = stepId)} />
      <div class="border-hairline mt-auto border-t p-4">
        <h2 class="mb-1">The brief</h2>
        <p class="text-ink-soft text-sm">{data.brief.task}</p>
      </div>
    </section>

    <section class="flex min-w-0 flex-1 flex-col" aria-label="Solid">
      <div class="min-h-0 flex-1">
        {#key handIn.id}
          <RecipeSolid
            projectId={data.projectId}
            recipe={handIn.recipe}
            limits={handIn.limits}
            {marked}
            {chosen}
            onmark={(stepId) => (marked = stepId)}
          />
        {/key}
      </div>
      <p class="border-hairline flex gap-6 border-t bg-white px-4 py-1.5 text-sm">
        {#if inspection && data.estimate}
          <span><span class="measured">{size}</span> mm</span>
          <span><span class="measured">{(inspection.part.volumeMm3 / 1000).toFixed(2)}</span> cm³</span>
          <span><span class="measured">{Math.ceil(data.estimate.seconds / 60)}</span> min</span>
          <span><span class="measured">{data.estimate.grams.toFixed(1)}</span> g</span>
        {/if}
      </p>
    </section>

    <section
      class="border-hairline flex w-[320px] shrink-0 flex-col border-l bg-white"
      aria-label="Inspection"
    >
      <div class="min-h-0 flex-1 overflow-y-auto">
        {#if inspection}
          <InspectionList {inspection} {chosen} onchoose={choose} />
        {:else if handIn.problem}
          <p class="text-fail p-4">{handIn.problem}</p>
        {:else}
          <p class="text-ink-soft p-4">The server is inspecting this hand-in …</p>
        {/if}
      </div>

      <div class="border-hairline bg-ground flex shrink-0 flex-col gap-3 border-t p-4">
        {#if form?.message}<p role="alert" class="text-fail">{form.message}</p>{/if}
        {#if handIn.state === 'waiting'}
          <form method="POST" action="?/approve" use:enhance>
            <input type="hidden" name="solidHash" value={handIn.solidHash} />
            <Button type="submit" class="w-full" disabled={inspection?.verdict === 'fail'}
              >Approve for printing</Button
            >
            {#if inspection?.verdict === 'fail'}
              <p class="text-ink-soft mt-1 text-sm">A check failed, so the printer cannot make this.</p>
            {/if}
          </form>
          <form method="POST" action="?/sendBack" use:enhance class="flex flex-col gap-2">
            <label class="flex flex-col gap-1">
              <span class="font-semibold">What to change</span>
              <Textarea name="comment" rows={3} maxlength={2000} required class="w-full" />
            </label>
            <Button type="submit" color="alternative">Send back</Button>
          </form>
        {:else if handIn.state === 'approved'}
          <p>You approved this; it is in the <a class="underline" href="/queue">queue</a>.</p>
        {:else if handIn.state === 'sent_back'}
          <p>You sent this back: “{handIn.comment}”</p>
        {/if}
      </div>
    </section>
  </div>
</main>
