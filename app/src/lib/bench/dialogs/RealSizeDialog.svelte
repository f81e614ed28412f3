<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { Vec3 } from '@kelbrin/core/mesh';
  import { CARD_MM, CARD_PX, keepPixelsPerMm, keptPixelsPerMm, seenFrom } from './realSize';
  import { realSizeTexts as say } from '$lib/texts/realSize';

  /** The part as large as it will be in the hand, once the screen was measured with a bank card. */
  interface Props {
    edges: Float32Array;
    box: { readonly min: Vec3; readonly max: Vec3 };
    onclose(): void;
  }
  let { edges, box, onclose }: Props = $props();

  let pixelsPerMm = $state(keptPixelsPerMm(localStorage));
  let isMeasuring = $state(false);

  /** Room around what is drawn, so that its lines are seen whole, mm. */
  const ROOM_MM = 1;
  const sides = ['above', 'front'] as const;

  const pixels = (mm: number) => `${mm * pixelsPerMm}px`;

  function measure(cardPx: number): void {
    pixelsPerMm = cardPx / CARD_MM[0];
    keepPixelsPerMm(localStorage, pixelsPerMm);
  }
</script>

<Dialog title={say.title} size="xl" {onclose}>
  <div class="flex max-h-[55vh] flex-wrap items-start gap-6 overflow-auto">
    {#each sides as side (side)}
      {@const up = side === 'above' ? 1 : 2}
      {@const [width, height] = [box.max[0] - box.min[0], box.max[up] - box.min[up]]}
      <figure>
        <svg
          width={(width + 2 * ROOM_MM) * pixelsPerMm}
          height={(height + 2 * ROOM_MM) * pixelsPerMm}
          viewBox="{box.min[0] - ROOM_MM} {-box.max[up] - ROOM_MM} {width + 2 * ROOM_MM} {height +
            2 * ROOM_MM}"
          role="img"
          aria-label={say.sides[side]}
          data-testid="real-size"
        >
          <!-- A round side has no edge that is drawn: how far it reaches is seen by the frame. -->
          <rect
            x={box.min[0]}
            y={-box.max[up]}
            {width}
            {height}
            fill="none"
            stroke="var(--color-ink-soft)"
            stroke-width={0.6 / pixelsPerMm}
            stroke-dasharray={3 / pixelsPerMm}
          />
          <path
            d={seenFrom(side, edges)}
            fill="none"
            stroke="var(--color-ink)"
            stroke-width={1 / pixelsPerMm}
          />
        </svg>
        <figcaption class="text-ink-soft mt-1 text-sm">{say.sides[side]}</figcaption>
      </figure>
    {/each}
  </div>
  <div class="border-hairline border-t pt-3">
    <button
      type="button"
      class="word"
      aria-expanded={isMeasuring}
      onclick={() => (isMeasuring = !isMeasuring)}>{say.measureScreen}</button
    >
    {#if isMeasuring}
      <label class="mt-2 block">
        {say.holdCard}
        <input
          type="range"
          class="mt-2 block w-full max-w-xl"
          min={CARD_PX.least}
          max={CARD_PX.most}
          step="1"
          value={pixelsPerMm * CARD_MM[0]}
          oninput={(event) => measure(event.currentTarget.valueAsNumber)}
        />
      </label>
      <div
        class="border-ink bg-ground mt-2 rounded-lg border"
        style:width={pixels(CARD_MM[0])}
        style:height={pixels(CARD_MM[1])}
        data-testid="card"
      ></div>
    {/if}
  </div>
</Dialog>
