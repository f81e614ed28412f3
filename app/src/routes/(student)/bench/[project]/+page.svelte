<script lang="ts">
  import { enhance } from '$app/forms';
  import { invalidateAll } from '$app/navigation';
  import { partOf, recipeOf } from '@kelbrin/core/design';
  import { Button, Modal } from 'flowbite-svelte';
  import Bench from '$lib/bench/Bench.svelte';
  import BenchGuide from '$lib/guidance/BenchGuide.svelte';
  import HelpButton from '$lib/guidance/HelpButton.svelte';
  import { follow } from '$lib/ui/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';

  let { data } = $props();

  let asking = $state(false);
  let refusal = $state<string>();

  follow(() => [`project:${data.project.id}`]);

  const mayHandIn = $derived(data.standing.state === 'designing' || data.standing.state === 'sent_back');
</script>

<svelte:head><title>{data.title} · Kelbrin</title></svelte:head>

<main class="flex h-[calc(100vh-3rem)] flex-col">
  {#if data.standing.state === 'sent_back' && data.standing.comment}
    <p class="border-warn bg-warn-wash border-b px-4 py-2" data-testid="comment">
      <strong>Sent back:</strong>
      {data.standing.comment}
    </p>
  {/if}
  {#key data.project.id}
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
      colour="#3f8f5f"
    >
      {#snippet lead({ bench })}
        <BenchGuide {bench} projectId={data.project.id} prompts={data.guidance} ticked={data.ticked} />
      {/snippet}
      {#snippet actions({ bench, autosave })}
        <HelpButton projectId={data.project.id} asks={data.asksForHelp} />
        <StateChip state={data.standing.state} />
        {#if mayHandIn}
          <Button
            size="sm"
            disabled={recipeOf(bench.design).steps.length === 0 || bench.problem !== undefined}
            onclick={() => {
              refusal = undefined;
              // What is handed in is looked at first, with its own inspection.
              bench.showPart(bench.design.chosen);
              asking = true;
            }}
          >
            Hand in
          </Button>
        {/if}
        <Modal bind:open={asking} title="Hand in this design?" aria-label="Hand in this design?" size="sm">
          {#if bench.solid?.inspection.verdict === 'fail'}
            <p class="border-fail bg-fail-wash border-l-4 px-3 py-2">
              The inspection found something that will not print. You can hand in all the same, but your
              teacher cannot approve it as it is.
            </p>
          {:else}
            <p>
              “{partOf(bench.design, bench.design.chosen).name}” is frozen as it stands, the server inspects
              it once more, and your teacher looks at it.
            </p>
          {/if}
          {#if refusal}<p role="alert" class="text-fail">{refusal}</p>{/if}
          <form
            method="POST"
            action="?/handIn"
            class="flex gap-3"
            use:enhance={async ({ formData, cancel }) => {
              // What is handed in is what the server has, so everything must have arrived there first.
              if (!(await autosave.flush())) {
                refusal = 'Your last edits are not saved yet: try again in a moment.';
                return cancel();
              }
              formData.set('revision', String(autosave.revision));
              return async ({ result, update }) => {
                if (result.type === 'failure') refusal = String(result.data?.message);
                else asking = false;
                await update({ reset: false });
              };
            }}
          >
            <Button type="submit">Hand in</Button>
            <Button color="alternative" onclick={() => (asking = false)}>Go on designing</Button>
          </form>
        </Modal>
      {/snippet}
    </Bench>
  {/key}
</main>
