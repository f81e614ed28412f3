<script lang="ts">
  import type { Vec3 } from '@kelbrin/core/mesh';
  import { axes, axisIndex, type SpaceHandle } from '@kelbrin/core/recipe';
  import type { Outlook, Px } from '$lib/ui/solidView/outlook';

  /** What a step is moved, lifted or turned by on the solid: a cross that lies in its face, an arrow out of it, a dashed ring. */
  interface Props {
    handle: SpaceHandle;
    outlook: Outlook;
    at: Px;
    onbegin(event: PointerEvent & { currentTarget: Element }): void;
  }
  let { handle, outlook, at, onbegin }: Props = $props();

  /** How far the mark reaches. */
  const REACH_PX = 11;
  /** An arrow that goes out of the face stands beside the cross that lies in it. */
  const LIFTED_PX = 34;

  const cursor = $derived(handle.kind === 'turn' ? 'grab' : handle.kind === 'lift' ? 'ns-resize' : 'move');

  /** The way of an axis on the view, as long as the mark reaches. */
  function wayOf(axis: (typeof axes)[number]): Px {
    const place: [number, number, number] = [...handle.at];
    place[axisIndex[axis]] += REACH_PX / outlook.pxPerMm(handle.at);
    const px = outlook.pxOf(place as Vec3);
    return px ? [px[0] - at[0], px[1] - at[1]] : [0, 0];
  }
  const cross = $derived(
    'across' in handle.way
      ? axes.filter((axis) => 'across' in handle.way && axis !== handle.way.across).map(wayOf)
      : [],
  );
  const out = $derived.by((): Px => {
    if (!('along' in handle.way)) return [0, 0];
    const [x, y] = wayOf(handle.way.along);
    const long = Math.hypot(x, y) || 1;
    return [x / long, y / long];
  });
  const lifted = $derived<Px>(
    handle.kind === 'lift' ? [at[0] + out[0] * LIFTED_PX, at[1] + out[1] * LIFTED_PX] : at,
  );
</script>

<g
  style:cursor
  class="mark"
  role="presentation"
  data-hand={handle.kind}
  onpointerdown={onbegin}
  transform="translate({lifted[0]} {lifted[1]})"
>
  <title>{handle.label}</title>
  <circle class="reach" fill="transparent" />
  {#if handle.kind === 'move'}
    {#each ['#fff', 'var(--color-primary-700)'] as stroke, i (stroke)}
      <path
        d={cross.map(([x, y]) => `M${-x} ${-y}L${x} ${y}`).join('')}
        {stroke}
        stroke-width={i === 0 ? 5 : 2.2}
        stroke-linecap="round"
      />
    {/each}
    <circle r="3.5" fill="#fff" stroke="var(--color-primary-700)" stroke-width="1.6" />
  {:else if handle.kind === 'lift'}
    <path
      d="M{-out[0] * 22} {-out[1] * 22}L{out[0] * 8} {out[1] * 8}"
      stroke="var(--color-primary-700)"
      stroke-width="2.2"
      stroke-dasharray="4 3"
    />
    <path
      d="M{out[0] * 12} {out[1] * 12}L{out[1] * 5} {-out[0] * 5}L{-out[1] * 5} {out[0] * 5}Z"
      fill="var(--color-primary-700)"
      stroke="#fff"
    />
  {:else}
    <!-- A turn: most of a ring, with a head at each end. -->
    {#each ['#fff', 'var(--color-primary-700)'] as stroke, i (stroke)}
      <path
        d="M-5.7 5.7A8 8 0 1 1 5.7 5.7M-9.5 3.4L-5.7 5.7L-3.6 9.6M9.5 3.4L5.7 5.7L3.6 9.6"
        fill="none"
        {stroke}
        stroke-width={i === 0 ? 5 : 2}
        stroke-linecap="round"
      />
    {/each}
  {/if}
</g>

<style>
  .mark {
    pointer-events: auto;
    touch-action: none;
  }
  .reach {
    r: 15px;
  }
  @media (pointer: coarse) {
    .reach {
      r: 22px;
    }
  }
</style>
