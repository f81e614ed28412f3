<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { invalidateAll } from '$app/navigation';
  import { recipeOf } from '@kelbrin/core/design';
  import { Button } from 'flowbite-svelte';
  import Bench from '$lib/bench/Bench.svelte';
  import BenchGuide from '$lib/guidance/BenchGuide.svelte';
  import HelpButton from '$lib/guidance/HelpButton.svelte';
  import FeedbackBar from '$lib/handIn/FeedbackBar.svelte';
  import HandInDialog from '$lib/handIn/HandInDialog.svelte';
  import { placesOf } from '$lib/review/remarkPlaces';
  import { handInTexts as say } from '$lib/texts/handIn';
  import TaskButton from '$lib/task/TaskButton.svelte';
  import { follow } from '$lib/live/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';

  let { data, form } = $props();

  let asking = $state(false);

  follow(() => [`project:${data.project.id}`]);

  const standing = $derived(data.standing.state);
  const isFirst = $derived(standing === 'designing' || standing === 'sent_back');
  const mayHandIn = $derived(standing !== 'checking' && standing !== 'waiting');
  const pins = $derived(
    standing === 'sent_back'
      ? placesOf(data.feedback?.remarks ?? []).map(({ letter, at }) => ({ words: letter, at }))
      : [],
  );
</script>

<svelte:head><title>{data.title} · Kelbrin</title></svelte:head>

<main class="flex h-[calc(100vh-3rem)] flex-col">
  {#if form && 'message' in form && !asking}
    <p role="alert" class="border-fail bg-fail-wash border-b px-4 py-2">{form.message}</p>
  {/if}
  <!-- Limits and rules hold for as long as a bench is shown; with others it begins anew, history and all. -->
  {#key `${data.project.id} ${JSON.stringify([data.limits, data.rules])}`}
    <Bench
      projectId={data.project.id}
      title={data.title}
      author={data.person?.name ?? ''}
      design={data.project.design}
      versions={data.versions}
      onkept={invalidateAll}
      filePattern={data.filePattern}
      revision={data.project.revision}
      limits={data.limits}
      brief={data.rules}
      copies={data.copies}
      colour="#3f8f5f"
      {pins}
    >
      {#snippet top({ bench })}
        {#if data.feedback}
          <FeedbackBar
            isSentBack={standing === 'sent_back'}
            comment={data.standing.comment}
            remarks={data.feedback.remarks}
            waivers={data.feedback.waivers}
            recipe={data.feedback.recipe}
            onmark={(stepId) => (bench.marked = stepId)}
          />
        {/if}
      {/snippet}
      {#snippet lead({ bench })}
        <BenchGuide {bench} projectId={data.project.id} prompts={data.guidance} ticked={data.ticked} />
      {/snippet}
      {#snippet actions({ bench, autosave })}
        <TaskButton title={data.title} task={data.task} />
        <HelpButton projectId={data.project.id} asks={data.asksForHelp} />
        <StateChip state={standing} />
        {#if data.feedback?.mayWithdraw}
          <form method="POST" action="?/withdraw" use:enhance>
            <Button type="submit" size="sm" color="alternative">{say.withdraw}</Button>
          </form>
        {:else if !mayHandIn && data.feedback?.isSeen}
          <span class="text-ink-soft text-sm">{say.isSeen}</span>
        {/if}
        {#if mayHandIn}
          <Button
            size="sm"
            color={isFirst ? 'primary' : 'alternative'}
            disabled={recipeOf(bench.design).steps.length === 0 || bench.problem !== undefined}
            onclick={() => {
              // What is handed in is looked at first, with its own inspection.
              bench.showPart(bench.design.chosen);
              asking = true;
            }}
          >
            {isFirst ? say.open : say.openAgain}
          </Button>
        {/if}
        <HandInDialog bind:open={asking} {bench} {autosave} isQueued={standing === 'approved'} />
      {/snippet}
    </Bench>
  {/key}
</main>
