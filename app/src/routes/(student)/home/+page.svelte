<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import TaskText from '$lib/task/TaskText.svelte';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import { galleryTexts } from '$lib/texts/gallery';
  import { growTexts } from '$lib/texts/grow';
  import { homeTexts as say } from '$lib/texts/home';
  import { batchTexts } from '$lib/texts/batch';
  import { isUsable } from '$lib/shared/outcome';
  import { follow } from '$lib/live/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';
  import { weekday } from '$lib/ui/times';

  let { data } = $props();

  follow(() => data.briefs.flatMap(({ project }) => (project ? [`project:${project.id}`] : [])));
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    {#each data.galleries as { id, name } (id)}
      <a class="text-primary-800 ml-auto underline underline-offset-2" href="/gallery/{id}"
        >{galleryTexts.visit(name)}</a
      >
    {/each}
  </div>
  {#each data.briefs as { id, title, task, dueOn, project } (id)}
    <article class="sheet mb-4 flex flex-col gap-5 p-5 sm:flex-row">
      <div
        class="border-hairline flex h-[150px] w-[240px] shrink-0 items-center justify-center rounded border"
      >
        {#if project}
          <img
            src="/picture/project/{project.id}?r={project.revision}"
            alt={say.picture}
            width="240"
            height="150"
          />
        {:else}
          <span class="text-ink-soft">{say.notBegun}</span>
        {/if}
      </div>
      <div class="flex min-w-0 flex-1 flex-col gap-2">
        <div class="flex flex-wrap items-center gap-3">
          <h2>{title}</h2>
          {#if project}<StateChip state={project.state} />{/if}
          {#if project?.isTeam}
            <span class="text-ink-soft">{say.team(project.names)}</span>
          {/if}
          {#if dueOn}<span class="text-ink-soft ml-auto">{say.due(weekday(dueOn))}</span>{/if}
        </div>
        <div class="beside-part"><TaskText {task} /></div>
        {#if project?.state === 'sent_back' && project.comment}
          <blockquote class="border-warn bg-warn-wash border-l-4 px-3 py-2">{project.comment}</blockquote>
        {/if}
        {#if project?.state === 'sent_back' && project.remarks > 0}
          <p class="border-warn bg-warn-wash border-l-4 px-3 py-2">{say.remarks(project.remarks)}</p>
        {/if}
        {#if project?.outcome}
          <p
            class="border-l-4 px-3 py-2 {isUsable(project.outcome.outcome)
              ? 'border-pass bg-pass-wash'
              : 'border-warn bg-warn-wash'}"
          >
            {say.cameOut(
              batchTexts.outcomes[project.outcome.outcome],
              // What it was sent back with is told above.
              project.outcome.note === project.comment ? '' : project.outcome.note,
            )}
          </p>
        {/if}
        {#if project}<WaiverList waivers={project.waivers} />{/if}
        {#if project?.asksForHelp}<p class="text-warn-ink font-semibold">{say.asksForHelp}</p>{/if}
        <div class="mt-auto flex flex-wrap items-center gap-4">
          {#if project}
            <Button href="/bench/{project.id}">{say.open}</Button>
            <span class="text-ink-soft">{say.next[project.state]}</span>
            {#if project.runId}
              <Button href="/grow/{project.runId}" size="xs" color="alternative">{growTexts.watch}</Button>
            {/if}
          {:else}
            <form method="POST" action="?/open" use:enhance>
              <input type="hidden" name="brief" value={id} />
              <Button type="submit">{say.begin}</Button>
            </form>
          {/if}
        </div>
      </div>
    </article>
  {:else}
    <p class="text-ink-soft">{say.none}</p>
  {/each}
</main>
