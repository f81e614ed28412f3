<script lang="ts">
  import { locale } from '@kelbrin/core/words';
  import { logTexts as say } from '$lib/texts/log';

  interface Props {
    lines: readonly {
      readonly id: number;
      readonly at: Date;
      readonly who: string | null;
      readonly did: string;
      readonly about: string | null;
    }[];
  }
  let { lines }: Props = $props();

  const when = (at: Date) =>
    at.toLocaleString(locale(), { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
</script>

{#if lines.length === 0}
  <p class="text-ink-soft">{say.nothing}</p>
{:else}
  <div class="sheet overflow-x-auto">
    <table class="w-full text-left">
      <thead class="border-hairline border-b text-sm">
        <tr>
          {#each say.columns as words (words)}<th scope="col" class="px-3 py-2">{words}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each lines as { id, at, who, did, about } (id)}
          <tr class="border-hairline border-b last:border-0">
            <td class="text-ink-soft px-3 py-1.5 whitespace-nowrap">{when(at)}</td>
            <td class="px-3 py-1.5 font-semibold whitespace-nowrap">{who ?? say.gone}</td>
            <td class="px-3 py-1.5">{did}</td>
            <td class="px-3 py-1.5">{about ?? ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
