<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { onDestroy } from 'svelte';
  import { speak } from '@kelbrin/core/words';
  import { recipeOf } from '@kelbrin/core/design';
  import { sameRecipe } from '@kelbrin/core/recipe';
  import { Button } from 'flowbite-svelte';
  import type { BenchState } from '$lib/bench/state/bench.svelte';
  import { languageIn } from '$lib/bench/wordsChoice';
  import Bench from '$lib/bench/Bench.svelte';
  import BenchGuide from '$lib/guidance/BenchGuide.svelte';
  import HelpButton from '$lib/guidance/HelpButton.svelte';
  import FeedbackBar from '$lib/handIn/FeedbackBar.svelte';
  import HandedInBar from '$lib/handIn/HandedInBar.svelte';
  import HandInDialog from '$lib/handIn/HandInDialog.svelte';
  import { placesOf } from '$lib/review/remarkPlaces';
  import { handInTexts as say } from '$lib/texts/handIn';
  import TaskButton from '$lib/task/TaskButton.svelte';
  import { follow } from '$lib/live/follow.svelte';
  import { reloadAll } from '$lib/live/reload';
  import StateChip from '$lib/ui/StateChip.svelte';

  let { data, form } = $props();

  let asking = $state(false);

  // Other pages are in the words of the server.
  onDestroy(() => speak(languageIn('trade')));

  follow(() => [`project:${data.project.id}`]);

  const standing = $derived(data.standing.state);
  const isFirst = $derived(standing === 'designing' || standing === 'sent_back');
  const isWaiting = $derived(standing === 'checking' || standing === 'waiting');
  /** Whether what is handed in can be taken back, by handing in again or without. */
  const mayWithdraw = $derived(data.feedback?.mayWithdraw ?? false);
  const pins = $derived(
    standing === 'sent_back'
      ? placesOf(data.feedback?.remarks ?? []).map(({ letter, at }) => ({ words: letter, at }))
      : [],
  );

  /** What shows the part that was handed in, while another one is shown. */
  function showHandedIn(bench: BenchState): (() => void) | undefined {
    const partId = data.feedback?.partId;
    const isThere = partId !== undefined && bench.design.parts.some(({ id }) => id === partId);
    return isThere && bench.partId !== partId ? () => bench.showPart(partId) : undefined;
  }

  /** Whether what would be handed in now is not what was handed in last. */
  function isChangedSince({ design }: BenchState): boolean {
    const last = data.feedback;
    return !last || design.chosen !== last.partId || !sameRecipe(recipeOf(design), last.recipe);
  }
</script>

<svelte:head><title>{data.title} · Kelbrin</title></svelte:head>

<main class="flex h-[calc(100vh-var(--bar-height))] flex-col">
  {#if form && 'message' in form && !asking}
    <p role="alert" class="border-fail bg-fail-wash border-b px-4 py-2">{form.message}</p>
  {/if}
  <!-- Limits and rules hold for as long as a bench is shown; with others it begins anew, history and all. -->
  {#key `${data.project.id} ${JSON.stringify([data.limits, data.rules])}`}
    <Bench
      projectId={data.project.id}
      title={data.title}
      isTeam={data.isTeam}
      author={data.person?.name ?? ''}
      design={data.project.design}
      versions={data.versions}
      onkept={reloadAll}
      filePattern={data.filePattern}
      revision={data.project.revision}
      limits={data.limits}
      brief={data.rules}
      copies={data.copies}
      colour="#3f8f5f"
      {pins}
      pinnedPart={data.feedback?.partId}
    >
      {#snippet top({ bench })}
        {#if data.feedback}
          <FeedbackBar
            isSentBack={standing === 'sent_back'}
            part={data.feedback.part}
            onshow={showHandedIn(bench)}
            comment={data.standing.comment}
            remarks={data.feedback.remarks}
            waivers={data.feedback.waivers}
            recipe={data.feedback.recipe}
            onmark={(stepId) => {
              showHandedIn(bench)?.();
              bench.marked = stepId;
            }}
          />
          {#if isWaiting || !isFirst}
            <HandedInBar {bench} last={data.feedback} isApproved={!isWaiting} />
          {/if}
        {/if}
      {/snippet}
      {#snippet lead({ bench })}
        <BenchGuide
          {bench}
          projectId={data.project.id}
          prompts={data.guidance}
          isFirst={data.isFirst}
          ticked={data.ticked}
          isHandedIn={isWaiting || (!isFirst && !isChangedSince(bench))}
        />
      {/snippet}
      {#snippet actions({ bench, autosave })}
        <TaskButton title={data.title} task={data.task} />
        <HelpButton projectId={data.project.id} asks={data.asksForHelp} />
        <StateChip state={standing} />
        {#if mayWithdraw}
          <form method="POST" action="?/withdraw" use:enhance>
            <Button type="submit" size="sm" color="alternative">{say.withdraw}</Button>
          </form>
        {:else if isWaiting && data.feedback?.isSeen}
          <span class="text-ink-soft text-sm">{say.isSeen}</span>
        {/if}
        {#if !isWaiting || (mayWithdraw && isChangedSince(bench))}
          <Button
            size="sm"
            class="whitespace-nowrap max-sm:ml-auto"
            color={isFirst ? 'primary' : 'alternative'}
            disabled={recipeOf(bench.design).steps.length === 0 || bench.problem !== undefined}
            onclick={() => {
              // What is handed in is looked at first, with its own inspection.
              bench.showPart(bench.design.chosen);
              asking = true;
            }}
          >
            {isFirst ? say.open : isWaiting ? say.openInstead : say.openAgain}
          </Button>
        {/if}
        <HandInDialog
          bind:open={asking}
          {bench}
          {autosave}
          isQueued={standing === 'approved'}
          isInstead={isWaiting}
        />
      {/snippet}
    </Bench>
  {/key}
</main>
