<script lang="ts">
  import type { Handle, Point } from '@kelbrin/core/recipe';

  /** What a step is moved, turned or sized by on the plan. */
  interface Props {
    handle: Handle;
    /** Where it is on the sheet, px. */
    at: Point;
    /** The place that it stands for, which may be too near to another to be taken there. */
    edge: Point;
    onbegin(event: PointerEvent & { currentTarget: Element }): void;
  }
  let { handle, at, edge, onbegin }: Props = $props();

  const cursor = $derived(
    handle.kind === 'move'
      ? 'move'
      : handle.kind === 'turn'
        ? 'grab'
        : handle.along === 'x'
          ? 'ew-resize'
          : 'ns-resize',
  );
</script>

<g
  style:cursor
  role="presentation"
  data-handle={handle.label}
  onpointerdown={onbegin}
  transform="translate({at[0]} {at[1]})"
>
  <title>{handle.label}</title>
  <path
    d="M0 0L{edge[0] - at[0]} {edge[1] - at[1]}"
    stroke="var(--color-primary-700)"
    stroke-width="1"
    opacity="0.6"
  />
  <circle r="14" fill="transparent" />
  {#if handle.kind === 'move'}
    <path d="M-8 0h16M0 -8v16" stroke="var(--color-primary-700)" stroke-width="2" />
    <circle r="3.5" fill="#fff" stroke="var(--color-primary-700)" stroke-width="1.6" />
  {:else if handle.kind === 'turn'}
    <circle r="6" fill="#fff" stroke="var(--color-primary-700)" stroke-width="1.6" stroke-dasharray="9 3" />
  {:else}
    <rect
      x="-5"
      y="-5"
      width="10"
      height="10"
      fill="#fff"
      stroke="var(--color-primary-700)"
      stroke-width="1.6"
    />
  {/if}
</g>
