<script lang="ts">
  import { Plus } from '@lucide/svelte';
  import { stepKinds, type Group, type Step } from '@kelbrin/core/recipe';

  let { onadd }: { onadd(kind: Step['kind']): void } = $props();

  const groups: { group: Group; title: string }[] = [
    { group: 'shape', title: 'Add' },
    { group: 'cut', title: 'Cut' },
    { group: 'repeat', title: 'Repeat' },
    { group: 'whole', title: 'The whole' },
  ];
</script>

<div class="border-hairline mt-auto border-t px-3 py-2" role="group" aria-label="Add a step">
  {#each groups as { group, title } (group)}
    <div class="flex flex-wrap items-baseline gap-x-1">
      <span class="text-ink-soft w-20 shrink-0 text-sm">{title}</span>
      <div class="flex flex-1 flex-wrap">
        {#each stepKinds.filter((kind) => kind.group === group) as { kind, label } (kind)}
          <button
            type="button"
            class="hover:bg-primary-50 text-primary-800 flex items-center gap-0.5 rounded px-1.5 py-0.5 text-sm"
            onclick={() => onadd(kind)}
          >
            <Plus size={12} aria-hidden="true" />{label}
          </button>
        {/each}
      </div>
    </div>
  {/each}
</div>
