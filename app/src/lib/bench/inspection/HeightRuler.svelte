<script lang="ts">
  import { formatMm } from '@kelbrin/core/recipe';
  import type { ShownSolid } from '../worker/messages';
  import { solidTexts as say } from '$lib/texts/solidView';

  interface Props {
    solid: ShownSolid | undefined;
    marked: string | undefined;
    cutMm: number | undefined;
    onmark(stepId: string): void;
    oncut(zMm: number | undefined): void;
  }
  let { solid, marked, cutMm, onmark, oncut }: Props = $props();

  const WIDTH = 48;
  const MARGIN = 26;
  let height = $state(400);
  let cutting = false;

  const topMm = $derived(Math.max(solid?.inspection.part.sizeMm[2] ?? 0, 0.1));
  const scale = $derived((height - 2 * MARGIN) / topMm);
  const y = $derived((mm: number) => height - MARGIN - mm * scale);
  /** Ticks stand at least 5 pixels apart, in a step that people count in. */
  const tickMm = $derived([0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].find((step) => step * scale >= 5) ?? 100);
  const ticks = $derived(Array.from({ length: Math.floor(topMm / tickMm + 1e-6) + 1 }, (_, i) => i));
  const flags = $derived(
    solid?.inspection.checks.flatMap(({ findings }) =>
      findings.filter(({ verdict }) => verdict !== 'pass'),
    ) ?? [],
  );

  function heightAt(event: PointerEvent & { currentTarget: Element }): number {
    const { top } = event.currentTarget.getBoundingClientRect();
    const mm = (height - MARGIN - (event.clientY - top)) / scale;
    return Math.round(Math.min(topMm, Math.max(0, mm)) * 20) / 20;
  }

  function onkeydown(event: KeyboardEvent): void {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (way !== 0) {
      event.preventDefault();
      const by = event.shiftKey ? 1 : 0.1;
      const next = Math.round(((cutMm ?? topMm) + way * by) * 100) / 100;
      oncut(next >= topMm ? undefined : Math.max(0, next));
    } else if (event.key === 'Escape') oncut(undefined);
  }
</script>

<div class="border-hairline h-full w-12 shrink-0 border-r bg-white" bind:clientHeight={height}>
  <svg
    width={WIDTH}
    {height}
    role="slider"
    tabindex="0"
    aria-label={say.cutHeight}
    aria-orientation="vertical"
    aria-valuemin="0"
    aria-valuemax={topMm}
    aria-valuenow={cutMm ?? topMm}
    aria-valuetext={cutMm === undefined ? 'not cut' : `cut at ${formatMm(cutMm)} mm`}
    class="block cursor-row-resize touch-none select-none"
    {onkeydown}
    onpointerdown={(event) => {
      cutting = true;
      event.currentTarget.setPointerCapture(event.pointerId);
      oncut(heightAt(event));
    }}
    onpointermove={(event) => cutting && oncut(heightAt(event))}
    onpointerup={(event) => {
      cutting = false;
      if (heightAt(event) >= topMm) oncut(undefined);
    }}
    ondblclick={() => oncut(undefined)}
  >
    <title>{say.cutHow}</title>
    {#each ticks as i (i)}
      {@const long = i % 5 === 0}
      <line
        x1={WIDTH}
        x2={WIDTH - (long ? 12 : 7)}
        y1={y(i * tickMm)}
        y2={y(i * tickMm)}
        stroke="var(--color-ink)"
        stroke-width={long ? 1 : 0.6}
      />
      {#if i % 10 === 0}
        <text x={WIDTH - 15} y={y(i * tickMm) + 4} text-anchor="end" class="measured" font-size="11"
          >{formatMm(i * tickMm)}</text
        >
      {/if}
    {/each}
    {#each solid?.steps ?? [] as { stepId, box, effect }, i (stepId)}
      {@const low = Math.max(0, box.min[2])}
      {@const high = Math.min(topMm, box.max[2])}
      {#if high > low}
        <!-- Screen readers and keyboards mark a step in the recipe; here it is a shortcut for the pointer. -->
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <rect
          x={3 + (i % 3) * 5}
          y={y(high)}
          width="4"
          height={(high - low) * scale}
          fill={marked === stepId
            ? 'var(--color-primary-700)'
            : effect === 'add'
              ? 'var(--color-primary-200)'
              : '#fff'}
          stroke="var(--color-primary-700)"
          stroke-width="0.8"
          stroke-dasharray={effect === 'cut' ? '2 2' : undefined}
          onpointerdown={(event) => {
            event.stopPropagation();
            onmark(stepId);
          }}
        />
      {/if}
    {/each}
    {#each flags as flag, i (i)}
      <path
        d="M{WIDTH - 1} {y(flag.at[2]) + 6}v-12h-13l4 4l-4 4h12z"
        fill={flag.verdict === 'fail' ? 'var(--color-fail)' : 'var(--color-warn)'}
      >
        <title>{flag.message}</title>
      </path>
    {/each}
    {#if cutMm !== undefined}
      <line
        x1="0"
        x2={WIDTH}
        y1={y(cutMm)}
        y2={y(cutMm)}
        stroke="var(--color-fail)"
        stroke-width="1.5"
        stroke-dasharray="6 2 1 2"
      />
      <rect x="0" y={y(cutMm) - 15} width={7 * formatMm(cutMm).length + 4} height="14" fill="#fff" />
      <text x="2" y={y(cutMm) - 4} class="measured" font-size="11" fill="var(--color-fail)"
        >{formatMm(cutMm)}</text
      >
    {:else}
      <path d="M0 {y(topMm) - 6}l7 6l-7 0z" fill="var(--color-ink)" />
    {/if}
    <text x={WIDTH / 2} y={height - 8} text-anchor="middle" font-size="10" fill="var(--color-ink-soft)"
      >mm</text
    >
  </svg>
</div>
