<script lang="ts">
  import type { Finding, Inspection } from '@kelbrin/core/inspect';
  import type { Snippet } from 'svelte';
  import { grouped } from '$lib/shared/grouped';
  import Gauge from './Gauge.svelte';
  import { isToDo } from './toDo';
  import { unbroken } from './unbroken';
  import VerdictChip from './VerdictChip.svelte';
  import WhyPanel from './WhyPanel.svelte';
  import { inspectionTexts as say } from '$lib/texts/inspection';

  interface Props {
    inspection: Inspection;
    /** Whether it is shown to who is still designing: what the brief asks and is not there yet is to do then. */
    isDesigning?: boolean;
    /** The finding that is looked at. */
    chosen?: Finding;
    /** Hears which finding was pressed, with those that say the same. */
    onchoose?(finding: Finding, all: readonly Finding[]): void;
    /** What stands under the finding that is looked at, besides why it matters. */
    more?: Snippet;
  }
  let { inspection, isDesigning = false, chosen, onchoose, more }: Props = $props();

  const rank = { fail: 0, warn: 2, pass: 3 };
  const ordered = $derived(
    inspection.checks
      .map((check) => ({ check, waits: isDesigning && isToDo(check), found: gathered(check.findings) }))
      .sort((a, b) => (a.waits ? 1 : rank[a.check.verdict]) - (b.waits ? 1 : rank[b.check.verdict])),
  );

  /** Findings that say the same of the same steps, as of every letter of a word, are shown as one with several places. */
  function gathered(findings: readonly Finding[]): { finding: Finding; all: readonly Finding[] }[] {
    const groups = grouped(findings, ({ message, steps }) => JSON.stringify([message, steps]));
    return groups.map(([, all]) => ({ finding: all[0], all }));
  }
</script>

<ul>
  {#each ordered as { check, waits, found } (check.id)}
    <li class="border-hairline border-b px-4 py-3" data-check={check.id}>
      <div class="mb-1 flex items-center justify-between">
        <h3 class="font-semibold">{check.title}</h3>
        <VerdictChip verdict={check.verdict} isToDo={waits} />
      </div>
      <Gauge {check} isToDo={waits} />
      {#each found as { finding, all }, i (i)}
        {@const isChosen = chosen !== undefined && all.includes(chosen)}
        <button
          type="button"
          class="mt-2 block w-full border-l-4 px-2 py-1 text-left text-[0.95rem] leading-snug {finding.verdict ===
          'fail'
            ? waits
              ? 'border-primary-400 bg-primary-50'
              : 'border-fail bg-fail-wash'
            : finding.verdict === 'warn'
              ? 'border-warn bg-warn-wash'
              : 'border-hairline bg-ground'} {isChosen ? 'outline-primary-700 outline-2' : ''}"
          aria-pressed={isChosen}
          onclick={() => onchoose?.(isChosen && chosen ? chosen : finding, all)}
        >
          {unbroken(finding.message)}
          {#if all.length > 1}<span class="text-ink-soft whitespace-nowrap">({say.places(all.length)})</span
            >{/if}
        </button>
        {#if isChosen}
          <div class="border-hairline mt-2 border-l-4 pl-2">
            <WhyPanel checkId={check.id} />
            {@render more?.()}
          </div>
        {/if}
      {/each}
    </li>
  {/each}
</ul>
