<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import { untrack } from 'svelte';
  import { stepKinds, type Group, type Step } from '@kelbrin/core/recipe';
  import { benchTexts as say } from '$lib/texts/bench';

  interface Props {
    /** Whether all kinds are shown at first, as they are while a recipe is begun. */
    isOpen: boolean;
    onadd(kind: Step['kind']): void;
    onexample(): void;
  }
  let { isOpen, onadd, onexample }: Props = $props();
  let open = $state(untrack(() => isOpen));

  const groups: { group: Group; title: string }[] = [
    { group: 'shape', title: say.groupAdd },
    { group: 'cut', title: say.groupCut },
    { group: 'repeat', title: say.groupRepeat },
    { group: 'whole', title: say.groupWhole },
  ];
</script>

<details bind:open class="border-hairline sticky bottom-0 mt-auto border-t bg-white">
  <summary
    class="text-primary-800 hover:bg-primary-50 flex cursor-pointer items-center gap-1 px-3 py-2 font-semibold"
  >
    <Plus size={16} aria-hidden="true" />{say.addStep}
  </summary>
  <div class="px-3 pb-2" role="group" aria-label={say.addStep}>
    {#each groups as { group, title } (group)}
      <div class="flex items-baseline">
        <span class="text-ink-soft w-16 shrink-0 text-sm">{title}</span>
        <div class="flex flex-1 flex-wrap">
          {#each stepKinds.filter((kind) => kind.group === group) as { kind, label } (kind)}
            <button
              type="button"
              class="hover:bg-primary-50 text-primary-800 rounded px-1.5 py-0.5 text-sm"
              data-add={kind}
              onclick={() => onadd(kind)}>{label}</button
            >
          {/each}
        </div>
      </div>
    {/each}
    <button
      type="button"
      class="hover:bg-primary-50 text-primary-800 mt-1 rounded py-0.5 text-sm underline"
      onclick={onexample}
    >
      {say.fromExample} …
    </button>
  </div>
</details>
