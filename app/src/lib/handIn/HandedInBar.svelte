<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { recipeOf } from '@kelbrin/core/design';
  import { differencesOf, sameRecipe, type Recipe } from '@kelbrin/core/recipe';
  import type { BenchState } from '$lib/bench/state/bench.svelte';
  import { clockTime, dayAndTime } from '$lib/ui/times';
  import { handInTexts as say } from '$lib/texts/handIn';

  interface Props {
    bench: BenchState;
    /** What was handed in last, and whether it is approved already. */
    last: {
      readonly at: Date;
      readonly partId: string;
      readonly part: string;
      readonly recipe: Recipe;
      readonly isSeen: boolean;
    };
    isApproved: boolean;
  }
  let { bench, last, isApproved }: Props = $props();

  /** Two lines of it are shown, so that the bench keeps its room, until all is wanted. */
  let isWhole = $state(false);

  /** More changes than this are counted and not listed. */
  const MOST_LISTED = 3;

  const isToday = $derived(last.at.toDateString() === new Date().toDateString());
  const when = $derived(isToday ? clockTime(last.at) : dayAndTime(last.at));
  const now = $derived(bench.design.parts.find(({ id }) => id === last.partId));
  const isChanged = $derived(!now || !sameRecipe(recipeOf(bench.design, now.id), last.recipe));
  const changes = $derived(
    now && isChanged
      ? differencesOf(last.recipe, recipeOf(bench.design, now.id)).map(({ words }) => words)
      : [],
  );
  const isOtherChosen = $derived(now !== undefined && bench.design.chosen !== last.partId);
</script>

{#if isChanged || isOtherChosen}
  <div class="border-warn bg-warn-wash flex items-start border-b px-4 py-2 text-sm">
    <p class={['min-w-0 flex-1', !isWhole && 'line-clamp-2']} role="status" data-testid="changed-since">
      <strong>{isApproved ? say.hasApproved(last.part, when) : say.teacherHas(last.part, when)}</strong>
      {#if !now}
        {say.partGone}
      {:else if isChanged}
        {say.since}
        {changes.slice(0, MOST_LISTED).join('; ')}{changes.length > MOST_LISTED
          ? say.andMore(changes.length - MOST_LISTED)
          : '.'}
      {:else}
        {say.otherChosen}
      {/if}
      {isApproved ? say.againAsNew : last.isSeen ? say.waitForAnswer : say.againInstead}
    </p>
    {#if changes.length > 0}
      <button
        type="button"
        class="-my-1 shrink-0 p-2 pointer-coarse:p-3.5"
        aria-label={say.allChanges}
        title={say.allChanges}
        aria-expanded={isWhole}
        onclick={() => (isWhole = !isWhole)}
        ><ChevronDown size={16} class={isWhole ? 'rotate-180' : undefined} /></button
      >
    {/if}
  </div>
{/if}
