<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import type { BriefRules, LimitsCard, SupportMark } from '@kelbrin/core/inspect';
  import type { Recipe } from '@kelbrin/core/recipe';
  import { reviewTexts as say } from '$lib/texts/review';
  import { LinkedView } from '$lib/ui/solidView/linkedView.svelte';
  import RecipeSolid from '$lib/bench/beside/RecipeSolid.svelte';

  /** A hand-in as it was frozen. */
  interface Side {
    readonly number: number;
    readonly recipe: Recipe;
    readonly limits: LimitsCard;
    readonly rules: BriefRules;
    readonly supportMarks: readonly SupportMark[];
  }
  interface Props extends Omit<
    ComponentProps<typeof RecipeSolid>,
    'recipe' | 'limits' | 'brief' | 'supportMarks' | 'linked'
  > {
    before: Side;
    now: Side;
  }
  let { before, now, view = $bindable({ name: 'Corner', turns: 0 }), ...rest }: Props = $props();

  const linked = new LinkedView();
</script>

<div class="grid h-full grid-cols-2">
  {#each [{ ...before, words: say.then(before.number) }, { ...now, words: say.now(now.number) }] as side (side.number)}
    {@const { recipe, limits, rules: brief, supportMarks } = side}
    <!-- What is marked or remarked is of the newer one. -->
    {@const own = side.number === now.number ? rest : { filesAt: rest.filesAt, onmark: () => {} }}
    <figure class="border-hairline flex min-w-0 flex-col not-first:border-l" aria-label={side.words}>
      <figcaption class="border-hairline border-b bg-white px-4 py-1 text-sm font-semibold">
        {side.words}
      </figcaption>
      <div class="min-h-0 flex-1">
        <RecipeSolid {...own} {recipe} {limits} {brief} {supportMarks} {linked} bind:view />
      </div>
    </figure>
  {/each}
</div>
