<script lang="ts">
  import { sayList } from '@kelbrin/core/words';
  import TickList from './TickList.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    label: string;
    chosen: readonly string[];
    offered: readonly { readonly id: string; readonly label: string }[];
    problem?: string;
    onchange(chosen: string[]): void;
  }
  let { label, chosen, offered, problem, onchange }: Props = $props();

  const words = $derived(
    chosen.length === 0
      ? say.stepsToChoose
      : sayList(chosen.map((id) => offered.find((step) => step.id === id)?.label ?? '')),
  );

  function toggle(id: string): void {
    const wanted = chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id];
    // In the order in which they stand, whatever the order in which they were ticked.
    onchange(offered.filter((step) => wanted.includes(step.id)).map((step) => step.id));
  }
</script>

<TickList
  {label}
  {words}
  isWrong={problem !== undefined}
  items={offered.map(({ id, label }) => ({ label, isTicked: chosen.includes(id) }))}
  none={say.noStepBefore}
  ontick={(at) => toggle(offered[at].id)}
/>
