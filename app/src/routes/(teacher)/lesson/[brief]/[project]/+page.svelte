<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import { standingIn } from '@kelbrin/core/guide';
  import type { Finding, Inspection } from '@kelbrin/core/inspect';
  import type { SurfacePoint, Vec3 } from '@kelbrin/core/mesh';
  import PointForm from '$lib/lesson/PointForm.svelte';
  import PromptList from '$lib/guidance/PromptList.svelte';
  import ReadOnlyRecipe from '$lib/review/ReadOnlyRecipe.svelte';
  import RecipeSolid from '$lib/bench/beside/RecipeSolid.svelte';
  import { lessonTexts as say } from '$lib/texts/lesson';
  import { follow } from '$lib/live/follow.svelte';
  import InspectionList from '$lib/ui/InspectionList.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';
  import { reviewTexts } from '$lib/texts/review';

  let { data, form } = $props();

  let marked = $state<string>();
  let chosen = $state.raw<Finding>();
  let inspection = $state.raw<Inspection>();
  let problem = $state<string>();
  /** Where the teacher is about to point, if that is a place. */
  let place = $state.raw<readonly [number, number, number]>();
  let isPlacing = $state(false);
  const { project, brief } = $derived(data);
  const standing = $derived(
    standingIn(brief.guidance, new Set(project.ticked), {
      recipe: project.recipe,
      inspection: problem === undefined ? inspection : undefined,
    }),
  );

  follow(() => [`project:${project.id}`]);

  const pins = $derived.by(() => {
    const kept = data.pointer && 'at' in data.pointer.anchor ? data.pointer.anchor.at : undefined;
    const at = place ?? kept;
    return at ? [{ at: [...at] as Vec3, words: data.pointer?.teacher ?? say.here }] : [];
  });

  function mark(stepId: string | undefined): void {
    marked = stepId;
    place = undefined;
  }

  function placed({ point }: SurfacePoint): void {
    place = [point[0], point[1], point[2]];
    isPlacing = false;
  }

  function inspected(found: Inspection | undefined, why: string | undefined): void {
    // What was chosen is of a solid that is not shown any more.
    chosen = undefined;
    inspection = found ?? inspection;
    problem = why;
  }

  function choose(finding: Finding): void {
    chosen = chosen === finding ? undefined : finding;
    if (chosen && finding.steps.length > 0) marked = finding.steps.at(-1);
  }
</script>

<svelte:head><title>{data.student} · {say.title(brief.title)} · Kelbrin</title></svelte:head>

<main class="flex flex-col md:h-[calc(100vh-var(--bar-height))]">
  <div class="border-hairline flex min-h-12 shrink-0 flex-wrap items-center gap-3 border-b bg-white px-4">
    <a href="/lesson/{brief.id}" class="text-primary-800 underline underline-offset-2">{say.backToLesson}</a>
    <h1 class="truncate text-lg">{data.student}: {brief.title}</h1>
    {#if inspection && problem === undefined}<VerdictChip verdict={inspection.verdict} />{/if}
    {#if project.asksForHelp}
      <form method="POST" action="?/helped" use:enhance class="flex items-center gap-2">
        <span class="text-warn-ink font-semibold">{say.asks(0)}</span>
        <Button type="submit" size="xs" color="alternative">{say.helped}</Button>
      </form>
    {/if}
    <span class="text-ink-soft ml-auto text-sm">{say.readOnly}</span>
  </div>

  <div class="flex min-h-0 flex-1 flex-col md:flex-row">
    <section
      class="border-hairline flex shrink-0 flex-col md:w-[300px] lg:w-[360px] overflow-y-auto border-r bg-white"
      aria-label={reviewTexts.recipe}
    >
      {#if problem !== undefined}
        <p role="alert" class="border-fail bg-fail-wash border-b px-4 py-2">{say.notBuilt} {problem}</p>
      {/if}
      <ReadOnlyRecipe recipe={project.recipe} {marked} onmark={mark} />
      <PointForm
        recipe={project.recipe}
        {marked}
        {place}
        bind:isPlacing
        pointer={data.pointer}
        message={form && 'message' in form ? form.message : undefined}
        ondone={() => (place = undefined)}
      />
      {#if brief.guidance.length > 0}
        <div class="border-hairline mt-auto border-t p-4">
          <PromptList prompts={brief.guidance} {standing} />
        </div>
      {/if}
    </section>
    <section class="h-[420px] min-w-0 md:h-auto md:flex-1" aria-label={reviewTexts.solid}>
      <RecipeSolid
        filesAt="/file/{project.id}"
        recipe={project.recipe}
        limits={data.limits}
        brief={brief.rules}
        {marked}
        {chosen}
        onmark={mark}
        onplace={isPlacing ? placed : undefined}
        {pins}
        oninspected={inspected}
      />
    </section>
    <section
      class="border-hairline shrink-0 overflow-y-auto border-l bg-white md:w-[260px] lg:w-[320px]"
      aria-label={reviewTexts.inspection}
    >
      {#if inspection}<InspectionList {inspection} {chosen} onchoose={choose} />{/if}
    </section>
  </div>
</main>
