<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import Tag from '@lucide/svelte/icons/tag';
  import ToggleLeft from '@lucide/svelte/icons/toggle-left';
  import ToggleRight from '@lucide/svelte/icons/toggle-right';
  import Trash from '@lucide/svelte/icons/trash';
  import type { BenchState } from '../state/bench.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    bench: BenchState;
    stepId: string;
    index: number;
    isOff: boolean;
    isNamed: boolean;
    onname(): void;
  }
  let { bench, stepId, index, isOff, isNamed, onname }: Props = $props();

  let gesture: number | undefined;

  /** Moves the step to where the pointer is: past every neighbour whose middle it has crossed. */
  function drag(event: PointerEvent & { currentTarget: HTMLElement }): void {
    if (gesture === undefined) return;
    const own = event.currentTarget.closest('li');
    const rows = [...(own?.parentElement?.querySelectorAll<HTMLElement>(':scope > li[data-step]') ?? [])];
    const at = rows.findIndex((row) => row === own);
    const over = rows.findIndex((row) => event.clientY < row.getBoundingClientRect().bottom);
    const to = over < 0 ? rows.length - 1 : over;
    if (at < 0 || to === at) return;
    const { top, height } = rows[to].getBoundingClientRect();
    const isPast = to > at ? event.clientY > top + height / 2 : event.clientY < top + height / 2;
    if (isPast) bench.moveStep(stepId, to - at, gesture);
  }

  function nudge(event: KeyboardEvent): void {
    const way = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (way === 0) return;
    event.preventDefault();
    bench.moveStep(stepId, way);
  }
</script>

<button
  type="button"
  class="tool cursor-grab touch-none"
  aria-label={say.moveStep(index + 1)}
  title={say.moveStepHow}
  onkeydown={nudge}
  onpointerdown={(event) => {
    gesture = performance.now();
    event.currentTarget.setPointerCapture(event.pointerId);
  }}
  onpointermove={drag}
  onpointerup={() => (gesture = undefined)}
>
  <GripVertical size={14} />
</button>
{#if !isNamed}
  <button
    type="button"
    class="tool"
    aria-label={say.nameStep(index + 1)}
    title={say.giveName}
    onclick={onname}
  >
    <Tag size={14} />
  </button>
{/if}
<button
  type="button"
  class="tool"
  aria-label={say.copyStep(index + 1)}
  title={say.copy}
  onclick={() => bench.duplicateStep(stepId)}
>
  <Copy size={14} />
</button>
<button
  type="button"
  class="tool"
  aria-label={isOff ? say.stepOn(index + 1) : say.stepOff(index + 1)}
  title={isOff ? say.switchOn : say.switchOff}
  onclick={() => bench.setField(stepId, ['off'], isOff ? undefined : true)}
>
  {#if isOff}<ToggleLeft size={14} />{:else}<ToggleRight size={14} />{/if}
</button>
<button
  type="button"
  class="tool"
  aria-label={say.deleteStep(index + 1)}
  title={say.remove}
  onclick={() => bench.removeStep(stepId)}
>
  <Trash size={14} />
</button>
