<script lang="ts">
  import { inspectionTexts } from '$lib/texts/inspection';
  import { measuredWords, type CheckResult } from '@kelbrin/core/inspect';

  interface Props {
    check: CheckResult;
    /** Whether what it misses is only not begun yet. */
    isToDo?: boolean;
  }
  let { check, isToDo = false }: Props = $props();

  /** The scale runs from nothing to twice the limit, so that the limit stands in the middle of every gauge. */
  function share(value: number): number {
    if (check.limit === 0) return value > 0 ? 1 : 0;
    return Math.min(1, Math.max(0, value / (2 * check.limit)));
  }
  const tones = { pass: 'text-pass', warn: 'text-warn-ink', fail: 'text-fail' };
  const tone = { pass: 'var(--color-pass)', warn: 'var(--color-warn)', fail: 'var(--color-fail)' };
</script>

{#if check.reason}
  <!-- The limit is that of a figure, which is not what decides here. -->
  <p class="text-sm {tones[check.verdict]}">{check.reason}</p>
{:else}
  <div class="measured text-sm">
    <svg viewBox="0 0 200 12" class="block h-3 w-full" aria-hidden="true" preserveAspectRatio="none">
      <rect
        x={check.rule === 'atLeast' ? 0 : 100}
        y="4"
        width="100"
        height="4"
        fill="var(--color-fail-wash)"
      />
      <rect
        x={check.rule === 'atLeast' ? 100 : 0}
        y="4"
        width="100"
        height="4"
        fill="var(--color-pass-wash)"
      />
      <line x1="100" x2="100" y1="1" y2="11" stroke="var(--color-ink)" stroke-width="1" />
      {#if check.measured !== null}
        <rect
          x={200 * share(check.measured) - 2}
          y="0"
          width="4"
          height="12"
          fill={isToDo ? 'var(--color-primary-700)' : tone[check.verdict]}
        />
      {/if}
    </svg>
    <div class="flex justify-between">
      <span>{check.measured === null ? inspectionTexts.none : measuredWords(check.measured, check.unit)}</span
      >
      <span class="text-ink-soft"
        >{check.rule === 'atLeast' ? '≥' : '≤'} {measuredWords(check.limit, check.unit)}</span
      >
    </div>
  </div>
{/if}
