<script lang="ts" module>
  /** What reaches from one height to another: a step of a recipe, a part on the plate. */
  export interface Bar {
    readonly id: string;
    readonly lowMm: number;
    readonly highMm: number;
    readonly takesAway?: boolean;
  }
  /** A place on the ruler that something is said of. */
  export interface Flag {
    readonly atMm: number;
    readonly colour: string;
    readonly words: string;
  }
</script>

<script lang="ts">
  import { colourName, hexOf, type ColourBands } from '@kelbrin/core/colours';
  import { formatNumber } from '@kelbrin/core/recipe';

  interface Props {
    topMm: number;
    /** The height that is looked at; undefined for all of it. */
    atMm: number | undefined;
    /** The height that is written there, if it is another. */
    figureMm?: number;
    bars: readonly Bar[];
    /** The bar that is marked. */
    marked?: string;
    flags: readonly Flag[];
    /** The colours from the plate up, beside the ticks. */
    colours?: ColourBands;
    label: string;
    hint: string;
    /** The height in words. */
    words: string;
    /** The height above or below another, for the arrow keys. */
    next(mm: number, way: 1 | -1, isFar: boolean): number;
    onheight(mm: number | undefined): void;
    onmark?(id: string): void;
  }
  let {
    topMm: heightMm,
    atMm,
    figureMm,
    bars,
    marked,
    flags,
    colours = [],
    label,
    hint,
    words,
    next,
    onheight,
    onmark,
  }: Props = $props();

  const WIDTH = 48;
  const MARGIN = 26;
  let height = $state(400);
  let isHeld = false;

  const topMm = $derived(Math.max(heightMm, 0.1));
  const figure = $derived(formatNumber(figureMm ?? atMm ?? 0));
  const scale = $derived(Math.max(0, height - 2 * MARGIN) / topMm);
  const y = $derived((mm: number) => height - MARGIN - mm * scale);
  /** Ticks stand at least 5 pixels apart, in a step that people count in. */
  const tickMm = $derived([0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].find((step) => step * scale >= 5) ?? 100);
  const ticks = $derived(Array.from({ length: Math.floor(topMm / tickMm + 1e-6) + 1 }, (_, i) => i));

  function heightAt(event: PointerEvent & { currentTarget: Element }): number {
    const { top } = event.currentTarget.getBoundingClientRect();
    const mm = (height - MARGIN - (event.clientY - top)) / scale;
    return Math.round(Math.min(topMm, Math.max(0, mm)) * 20) / 20;
  }

  function onkeydown(event: KeyboardEvent): void {
    const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (way !== 0) {
      event.preventDefault();
      const mm = next(atMm ?? topMm, way, event.shiftKey);
      onheight(mm >= topMm ? undefined : Math.max(0, mm));
    } else if (event.key === 'Escape') onheight(undefined);
  }

  /** How high figures are, and how far below a line their feet stand. */
  const FIGURE_PX = 13;
  const FIGURE_BELOW_PX = 4;
  /** Whether the figure of a height would stand behind the one that is looked at, which stands above its line. */
  const isUnderMark = (mm: number) =>
    atMm !== undefined && Math.abs(y(mm) + FIGURE_BELOW_PX - (y(atMm) - FIGURE_BELOW_PX)) < FIGURE_PX;
</script>

<div class="border-hairline h-full w-12 shrink-0 border-r bg-white" bind:clientHeight={height}>
  <svg
    width={WIDTH}
    {height}
    role="slider"
    tabindex="0"
    aria-label={label}
    aria-orientation="vertical"
    aria-valuemin="0"
    aria-valuemax={topMm}
    aria-valuenow={atMm ?? topMm}
    aria-valuetext={words}
    class="block cursor-row-resize touch-none select-none"
    {onkeydown}
    onpointerdown={(event) => {
      isHeld = true;
      event.currentTarget.setPointerCapture(event.pointerId);
      onheight(heightAt(event));
    }}
    onpointermove={(event) => isHeld && onheight(heightAt(event))}
    onpointerup={(event) => {
      isHeld = false;
      if (heightAt(event) >= topMm) onheight(undefined);
    }}
    ondblclick={() => onheight(undefined)}
  >
    <title>{hint}</title>
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
      {#if i % 10 === 0 && !isUnderMark(i * tickMm)}
        <text
          x={WIDTH - 15}
          y={y(i * tickMm) + FIGURE_BELOW_PX}
          text-anchor="end"
          class="measured"
          font-size="11">{formatNumber(i * tickMm)}</text
        >
      {/if}
    {/each}
    {#each colours as { fromMm, colour }, i (i)}
      {@const upToMm = Math.min(topMm, colours[i + 1]?.fromMm ?? topMm)}
      <rect
        x={WIDTH - 4}
        y={y(upToMm)}
        width="4"
        height={Math.max(0, upToMm - fromMm) * scale}
        fill={hexOf(colour)}
        stroke="var(--color-ink)"
        stroke-width="0.5"
      >
        <title>{colourName(colour)}</title>
      </rect>
    {/each}
    {#each bars as { id, lowMm, highMm, takesAway }, i (id)}
      {@const low = Math.max(0, lowMm)}
      {@const high = Math.min(topMm, highMm)}
      {#if high > low}
        <!-- Screen readers and keyboards have a list of the same elsewhere; here it is a shortcut for the pointer. -->
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <rect
          x={3 + (i % 3) * 5}
          y={y(high)}
          width="4"
          height={(high - low) * scale}
          fill={marked === id ? 'var(--color-primary-700)' : takesAway ? '#fff' : 'var(--color-primary-200)'}
          stroke="var(--color-primary-700)"
          stroke-width="0.8"
          stroke-dasharray={takesAway ? '2 2' : undefined}
          onpointerdown={(event) => {
            if (!onmark) return;
            event.stopPropagation();
            onmark(id);
          }}
        />
      {/if}
    {/each}
    {#each flags as flag, i (i)}
      <path d="M{WIDTH - 1} {y(flag.atMm) + 6}v-12h-13l4 4l-4 4h12z" fill={flag.colour}>
        <title>{flag.words}</title>
      </path>
    {/each}
    {#if atMm !== undefined}
      <line
        x1="0"
        x2={WIDTH}
        y1={y(atMm)}
        y2={y(atMm)}
        stroke="var(--color-fail)"
        stroke-width="1.5"
        stroke-dasharray="6 2 1 2"
      />
      <rect x="0" y={y(atMm) - 15} width={7 * figure.length + 4} height="14" fill="#fff" />
      <text x="2" y={y(atMm) - FIGURE_BELOW_PX} class="measured" font-size="11" fill="var(--color-fail)"
        >{figure}</text
      >
    {:else}
      <path d="M0 {y(topMm) - 6}l7 6l-7 0z" fill="var(--color-ink)" />
    {/if}
    <text x={WIDTH / 2} y={height - 8} text-anchor="middle" font-size="10" fill="var(--color-ink-soft)"
      >mm</text
    >
  </svg>
</div>
