<script lang="ts">
  import type { Finding, Inspection } from '@kelbrin/core/inspect';
  import Gauge from './Gauge.svelte';
  import VerdictChip from './VerdictChip.svelte';

  interface Props {
    inspection: Inspection;
    /** The finding that is looked at. */
    chosen?: Finding;
    onchoose?(finding: Finding): void;
  }
  let { inspection, chosen, onchoose }: Props = $props();

  const rank = { fail: 0, warn: 1, pass: 2 };
  const ordered = $derived(
    [...inspection.checks]
      .sort((a, b) => rank[a.verdict] - rank[b.verdict])
      .map((check) => ({ check, found: gathered(check.findings) })),
  );

  /** Findings that say the same of the same steps, as of every letter of a word, are shown as one with several places. */
  function gathered(findings: readonly Finding[]): { finding: Finding; places: number }[] {
    const groups = Map.groupBy(findings, ({ message, steps }) => JSON.stringify([message, steps]));
    return [...groups.values()].map((group) => ({
      finding:
        group.length === 1
          ? group[0]
          : { ...group[0], triangles: group.flatMap(({ triangles }) => triangles) },
      places: group.length,
    }));
  }
</script>

<ul>
  {#each ordered as { check, found } (check.id)}
    <li class="border-hairline border-b px-4 py-3" data-check={check.id}>
      <div class="mb-1 flex items-center justify-between">
        <h3 class="font-semibold">{check.title}</h3>
        <VerdictChip verdict={check.verdict} />
      </div>
      <Gauge {check} />
      {#each found as { finding, places }, i (i)}
        <button
          type="button"
          class="mt-2 block w-full border-l-4 px-2 py-1 text-left text-[0.95rem] leading-snug {finding.verdict ===
          'fail'
            ? 'border-fail bg-fail-wash'
            : finding.verdict === 'warn'
              ? 'border-warn bg-warn-wash'
              : 'border-hairline bg-ground'} {chosen === finding ? 'outline-primary-700 outline-2' : ''}"
          aria-pressed={chosen === finding}
          onclick={() => onchoose?.(finding)}
        >
          {finding.message}
          {#if places > 1}<span class="text-ink-soft whitespace-nowrap">({places} places)</span>{/if}
        </button>
      {/each}
    </li>
  {/each}
</ul>
