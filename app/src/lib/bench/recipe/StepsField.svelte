<script lang="ts">
  import { Checkbox, Dropdown } from 'flowbite-svelte';
  import { sayList } from '@kelbrin/core/words';
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

<button type="button" class="word" class:wrong={problem !== undefined} aria-label="{label}: {words}"
  >{words}</button
>
<Dropdown simple class="border-hairline w-56 border p-2" aria-label={label}>
  {#each offered as { id, label: name } (id)}
    <li class="list-none px-1 py-1">
      <Checkbox checked={chosen.includes(id)} onchange={() => toggle(id)}>{name}</Checkbox>
    </li>
  {:else}
    <li class="text-ink-soft list-none">{say.noStepBefore}</li>
  {/each}
</Dropdown>
