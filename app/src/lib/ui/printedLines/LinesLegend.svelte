<script lang="ts">
  import type { Role } from '@kelbrin/core/slice';
  import { printedLinesTexts as say } from '$lib/texts/printedLines';
  import { HANGING, roleColours } from './drawLayer';
  import type { ShownLayer } from './shownLayer';

  /** What the lines of a layer are, by their colours: those that there are. */
  let { shown }: { shown: ShownLayer | undefined } = $props();

  const present = $derived(new Set(shown?.layer.paths.map(({ role }) => role)));
</script>

<ul class="flex flex-col gap-1 rounded bg-white/90 px-2 py-1.5 text-sm">
  {#each Object.entries(roleColours).filter(([role]) => present.has(role as Role)) as [role, colour] (role)}
    <li class="flex items-center gap-2">
      <span class="h-2 w-5 rounded border border-[#3B4747]" style="background: {colour}"></span>{say.roles[
        role as Role
      ]}
    </li>
  {/each}
  {#if shown && shown.hanging.length > 0}
    <li class="text-fail flex items-center gap-2 font-semibold" data-testid="hanging">
      <span
        class="h-2 w-5 rounded"
        style="background: repeating-linear-gradient(60deg, {HANGING} 0 2px, #3B4747 2px 5px)"
      ></span>{say.hanging}
    </li>
  {/if}
</ul>
