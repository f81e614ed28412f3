<script lang="ts">
  import { locale } from '@kelbrin/core/words';
  import { Table, TableBody, TableBodyCell, TableBodyRow, TableHead, TableHeadCell } from 'flowbite-svelte';
  import { reviewTexts as say } from '$lib/texts/review';
  import { follow } from '$lib/live/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';

  let { data } = $props();

  follow(() => data.classIds.map((id) => `class:${id}`));

  const groups = $derived([
    {
      title: say.waiting,
      rows: data.handIns.filter(({ state }) => state === 'waiting' || state === 'checking'),
    },
    {
      title: say.lookedAt,
      rows: data.handIns.filter(({ state }) => state === 'approved' || state === 'sent_back').reverse(),
    },
  ]);
  const when = (at: Date) =>
    at.toLocaleString(locale(), { weekday: 'short', hour: '2-digit', minute: '2-digit' });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-5xl p-6">
  <div class="mb-4 flex items-baseline gap-4">
    <h1>{say.title}</h1>
    <a href="/review/sheet" class="text-primary-800 underline underline-offset-2">{say.sheet}</a>
  </div>
  {#each groups as { title, rows } (title)}
    <h2 class="mt-6 mb-2">{title} <span class="text-ink-soft font-normal">({rows.length})</span></h2>
    {#if rows.length > 0}
      <div class="sheet overflow-hidden">
        <Table hoverable>
          <TableHead>
            <TableHeadCell>{say.part}</TableHeadCell>
            <TableHeadCell>{say.student}</TableHeadCell>
            <TableHeadCell>{say.briefColumn}</TableHeadCell>
            <TableHeadCell>{say.handedIn}</TableHeadCell>
            <TableHeadCell>{say.inspection}</TableHeadCell>
            <TableHeadCell>{say.state}</TableHeadCell>
          </TableHead>
          <TableBody>
            {#each rows as row (row.id)}
              <TableBodyRow>
                <TableBodyCell class="py-1">
                  <a href="/review/{row.id}" aria-label={say.handInOf(row.student, row.number)}>
                    <img src="/picture/hand-in/{row.id}?row" alt="" width="96" height="60" loading="lazy" />
                  </a>
                </TableBodyCell>
                <TableBodyCell>
                  <a
                    class="text-primary-800 font-semibold underline underline-offset-2"
                    href="/review/{row.id}">{row.student}</a
                  >
                </TableBodyCell>
                <TableBodyCell>{row.brief}, v{row.number}</TableBodyCell>
                <TableBodyCell>{when(row.createdAt)}</TableBodyCell>
                <TableBodyCell
                  >{#if row.verdict}<VerdictChip verdict={row.verdict} />{/if}</TableBodyCell
                >
                <TableBodyCell
                  >{#if row.state !== 'refused' && row.state !== 'withdrawn'}<StateChip
                      state={row.state}
                      words={row.state === 'approved' ? say.isApproved : undefined}
                    />{/if}</TableBodyCell
                >
              </TableBodyRow>
            {/each}
          </TableBody>
        </Table>
      </div>
    {:else}
      <p class="text-ink-soft">{say.nothing}</p>
    {/if}
  {/each}
</main>
