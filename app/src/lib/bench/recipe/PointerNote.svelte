<script lang="ts">
  import Pointer from '@lucide/svelte/icons/pointer';
  import { Button } from 'flowbite-svelte';
  import type { BenchState } from '../state/bench.svelte';
  import type { CompanyAtBench } from '../state/company.svelte';
  import { companyTexts as say } from '$lib/texts/company';

  interface Props {
    bench: BenchState;
    company: CompanyAtBench;
  }
  let { bench, company }: Props = $props();

  const pointer = $derived(company.pointer);
  const step = $derived(pointer && 'step' in pointer.anchor ? pointer.anchor.step : undefined);
  const number = $derived(
    pointer?.partId === bench.partId ? bench.recipe.steps.findIndex(({ id }) => id === step) + 1 : 0,
  );
  const canShow = $derived(
    pointer !== undefined && bench.design.parts.some(({ id }) => id === pointer.partId),
  );

  function show(): void {
    if (!pointer) return;
    bench.showPart(pointer.partId);
    if (step === undefined) return;
    bench.marked = step;
    document.querySelector(`[data-step="${CSS.escape(step)}"]`)?.scrollIntoView({ block: 'center' });
  }
</script>

{#if pointer}
  <div role="status" class="border-warn bg-warn-wash border-b border-l-4 px-3 py-1.5 text-sm">
    <p>
      <Pointer size={14} class="inline" aria-hidden="true" />
      <strong>{number > 0 ? say.atStep(pointer.teacher, number) : say.atPlace(pointer.teacher)}</strong>
      {pointer.words}
    </p>
    <div class="mt-1 flex gap-2">
      {#if canShow}<Button size="xs" color="alternative" onclick={show}>{say.show}</Button>{/if}
      <Button size="xs" color="alternative" onclick={() => company.seen()}>{say.seen}</Button>
    </div>
  </div>
{/if}
