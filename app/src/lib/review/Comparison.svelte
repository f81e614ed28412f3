<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import type { Recipe } from '@kelbrin/core/recipe';
  import { reviewTexts as say } from '$lib/texts/review';
  import { LinkedView } from '$lib/ui/solidView/linkedView.svelte';
  import RecipeSolid from '$lib/bench/beside/RecipeSolid.svelte';

  interface Props extends Omit<ComponentProps<typeof RecipeSolid>, 'recipe' | 'linked'> {
    before: { readonly number: number; readonly recipe: Recipe };
    now: { readonly number: number; readonly recipe: Recipe };
  }
  let { before, now, view = $bindable({ name: 'Corner', turns: 0 }), ...rest }: Props = $props();

  const linked = new LinkedView();
</script>

<div class="grid h-full grid-cols-2">
  {#each [{ ...before, words: say.then(before.number) }, { ...now, words: say.now(now.number) }] as side (side.number)}
    <figure class="border-hairline flex min-w-0 flex-col not-first:border-l" aria-label={side.words}>
      <figcaption class="border-hairline border-b bg-white px-4 py-1 text-sm font-semibold">
        {side.words}
      </figcaption>
      <div class="min-h-0 flex-1">
        {#if side.number === now.number}
          <RecipeSolid {...rest} recipe={side.recipe} {linked} bind:view />
        {:else}
          <!-- What is marked or remarked is of the newer one. -->
          <RecipeSolid
            filesAt={rest.filesAt}
            limits={rest.limits}
            recipe={side.recipe}
            onmark={() => {}}
            {linked}
            bind:view
          />
        {/if}
      </div>
    </figure>
  {/each}
</div>
