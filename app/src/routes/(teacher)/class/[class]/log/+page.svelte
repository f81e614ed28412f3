<script lang="ts">
  import { page } from '$app/state';
  import { logTexts as say } from '$lib/texts/log';

  let { data } = $props();

  const when = (at: Date) =>
    at.toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
</script>

<svelte:head><title>{say.title} · {data.className} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/class/{page.params.class}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.of(data.className)}</h1>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if data.lines.length === 0}
    <p class="text-ink-soft">{say.nothing}</p>
  {:else}
    <table class="sheet w-full text-left">
      <thead class="border-hairline border-b text-sm">
        <tr>
          {#each say.columns as words (words)}<th scope="col" class="px-3 py-2">{words}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each data.lines as { id, at, who, did, about } (id)}
          <tr class="border-hairline border-b last:border-0">
            <td class="text-ink-soft px-3 py-1.5 whitespace-nowrap">{when(at)}</td>
            <td class="px-3 py-1.5 font-semibold whitespace-nowrap">{who ?? say.gone}</td>
            <td class="px-3 py-1.5">{did}</td>
            <td class="px-3 py-1.5">{about ?? ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#if data.more !== undefined}
    <p class="mt-3"><a class="underline underline-offset-2" href="?before={data.more}">{say.older}</a></p>
  {/if}
</main>
