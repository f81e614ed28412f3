<script lang="ts">
  import {
    edgeNameWords,
    isNamed,
    type EdgeName,
    type NamedStep,
    type OfferedEdge,
  } from '@kelbrin/core/recipe';
  import TickList from './TickList.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    label: string;
    /** The edges that the sentence names, those that are gone as well. */
    chosen: readonly EdgeName[];
    /** The edges that there are. */
    edges: readonly OfferedEdge[];
    /** The steps between whose surfaces they lie. */
    steps: readonly NamedStep[];
    ontap(at: number): void;
    /** They shall be tapped on the solid. */
    onopen(): void;
  }
  let { label, chosen, edges, steps, ontap, onopen }: Props = $props();

  const words = $derived(chosen.length === 0 ? say.cornersToChoose : `(${chosen.length})`);
</script>

<TickList
  {label}
  {words}
  isWrong={chosen.length === 0}
  items={edges.map(({ name }) => ({ label: edgeNameWords(name, steps), isTicked: isNamed(chosen, name) }))}
  none={say.noEdges}
  ontick={ontap}
  elsewhere={edges.length > 0 ? { label: say.tapEdges, open: onopen } : undefined}
/>
