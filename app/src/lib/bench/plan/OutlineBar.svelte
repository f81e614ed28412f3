<script lang="ts">
  import { Button, Checkbox } from 'flowbite-svelte';
  import type { PointsOutline } from '@kelbrin/core/recipe';
  import { planTexts as say } from '$lib/texts/plan';

  /** What is chosen for a drawn outline as a whole. */
  interface Props {
    outline: PointsOutline;
    isProfile: boolean;
    isFreehand: boolean;
    onchange(change: Partial<PointsOutline>): void;
    /** Begins the drawing again from nothing. */
    onanew(): void;
    ondone(): void;
  }
  let { outline, isProfile, isFreehand = $bindable(), onchange, onanew, ondone }: Props = $props();
</script>

<div class="border-hairline flex items-center gap-4 border-b px-3 py-1.5 text-sm">
  <strong>{isProfile ? say.profile : say.outline}</strong>
  <Checkbox checked={outline.smooth} onchange={(event) => onchange({ smooth: event.currentTarget.checked })}>
    {say.smooth}
  </Checkbox>
  {#if !isProfile}
    <Checkbox
      checked={outline.mirrored}
      onchange={(event) => onchange({ mirrored: event.currentTarget.checked })}
    >
      {say.mirrored}
    </Checkbox>
  {/if}
  <button
    type="button"
    class="rounded border px-2 py-0.5 whitespace-nowrap {isFreehand
      ? 'bg-primary-700 text-white'
      : 'border-hairline hover:bg-primary-50'}"
    aria-pressed={isFreehand}
    onclick={() => (isFreehand = !isFreehand)}>{say.freehand}</button
  >
  <button
    type="button"
    class="border-hairline hover:bg-primary-50 rounded border px-2 py-0.5 whitespace-nowrap"
    onclick={onanew}>{say.anew}</button
  >
  <Button size="xs" class="ml-auto" onclick={ondone}>{say.done}</Button>
</div>
