<script lang="ts">
  import { enhance } from '$app/forms';
  import { Button } from 'flowbite-svelte';
  import { follow } from '$lib/ui/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';

  let { data } = $props();

  follow(() => data.briefs.flatMap(({ project }) => (project ? [`project:${project.id}`] : [])).slice(0, 10));

  const next = {
    designing: 'Go on designing, then hand it in.',
    checking: 'It is being checked.',
    waiting: 'Your teacher will look at it.',
    sent_back: 'Read what to change, and hand it in again.',
    approved: 'It waits for a printer.',
    printing: 'It is on the printer now.',
    printed: 'Fetch it from the print room.',
  };
  const day = (iso: string) =>
    new Date(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
</script>

<svelte:head><title>My projects · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <h1 class="mb-4">My projects</h1>
  {#each data.briefs as { id, title, task, dueOn, project } (id)}
    <article class="sheet mb-4 flex gap-5 p-5">
      <div
        class="border-hairline flex h-[150px] w-[240px] shrink-0 items-center justify-center rounded border"
      >
        {#if project}
          <img
            src="/picture/project/{project.id}?r={project.revision}"
            alt="Your part as it stands"
            width="240"
            height="150"
          />
        {:else}
          <span class="text-ink-soft">not begun</span>
        {/if}
      </div>
      <div class="flex flex-1 flex-col gap-2">
        <div class="flex flex-wrap items-center gap-3">
          <h2>{title}</h2>
          {#if project}<StateChip state={project.state} />{/if}
          {#if dueOn}<span class="text-ink-soft ml-auto">due {day(dueOn)}</span>{/if}
        </div>
        <p>{task}</p>
        {#if project?.state === 'sent_back' && project.comment}
          <blockquote class="border-warn bg-warn-wash border-l-4 px-3 py-2">{project.comment}</blockquote>
        {/if}
        <div class="mt-auto flex items-center gap-4">
          {#if project}
            <Button href="/bench/{project.id}">Open the bench</Button>
            <span class="text-ink-soft">{next[project.state]}</span>
          {:else}
            <form method="POST" action="?/open" use:enhance>
              <input type="hidden" name="brief" value={id} />
              <Button type="submit">Begin</Button>
            </form>
          {/if}
        </div>
      </div>
    </article>
  {:else}
    <p class="text-ink-soft">There is no brief for your class yet.</p>
  {/each}
</main>
