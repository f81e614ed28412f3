<script lang="ts">
  import { locale } from '@kelbrin/core/words';
  import { onMount, untrack } from 'svelte';
  import { noticeTexts as say } from '$lib/texts/notices';
  import { reloadLive } from '$lib/live/reload';
  import { sendJson } from '$lib/ui/send';

  let { data } = $props();

  /** Those that were new when the page was opened stay marked while it is read. */
  const wereNew = untrack(() => new Set(data.notices.flatMap(({ id, isNew }) => (isNew ? id : []))));

  onMount(async () => {
    if (data.unseen === 0) return;
    await sendJson('PUT', '/notices/seen').then(
      reloadLive,
      // They stay new, and are seen the next time.
      () => {},
    );
  });

  /** Where to go about a notice. */
  function placeOf({ kind, projectId }: (typeof data.notices)[number]): string {
    if (projectId) return `/bench/${projectId}`;
    return (
      {
        handed_in: '/review',
        in_doubt: '/queue',
        part_failed: '/queue',
        run_failed: '/print-room',
        run_due: '/print-room',
        run_waits: '/print-room',
        run_silent: '/print-room',
        brief_late: '/plan',
        printer_hot: '/print-room',
      }[kind as 'handed_in'] ?? '/'
    );
  }

  const time = (at: Date) =>
    at.toLocaleString(locale(), {
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-3xl p-6">
  <h1 class="mb-4">{say.title}</h1>
  <ul class="sheet divide-hairline divide-y">
    {#each data.notices as notice (notice.id)}
      {@const isMarked = notice.isNew || wereNew.has(notice.id)}
      <li class="flex items-baseline gap-4 px-4 py-3 {isMarked ? 'bg-primary-50' : ''}">
        <a class="flex-1 {isMarked ? 'font-semibold' : ''}" href={placeOf(notice)}
          >{say.says[notice.kind](notice)}</a
        >
        {#if notice.hasPhoto}
          <img
            src="/picture/outcome/{notice.projectId}"
            alt={say.photo}
            class="border-hairline h-16 rounded border"
          />
        {/if}
        {#if isMarked}<span class="text-primary-800 text-sm">{say.isNew}</span>{/if}
        <span class="text-ink-soft text-sm whitespace-nowrap">{time(notice.at)}</span>
      </li>
    {:else}
      <li class="text-ink-soft px-4 py-3">{say.none}</li>
    {/each}
  </ul>
</main>
