<script lang="ts">
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import type { Recipe } from '@kelbrin/core/recipe';
  import ReadOnlyRecipe from '$lib/review/ReadOnlyRecipe.svelte';
  import RecipeSolid from '$lib/bench/beside/RecipeSolid.svelte';
  import { sharingTexts as say } from '$lib/texts/sharing';

  interface Props {
    recipe: Recipe;
    limits: LimitsCard;
    /** Where the meshes are that the recipe imports. */
    filesAt: string;
  }
  let { recipe, limits, filesAt }: Props = $props();

  let marked = $state<string>();
  let size = $state<string>();
</script>

<div class="flex min-h-0 flex-1 max-md:flex-col-reverse">
  <section
    class="border-hairline w-[360px] shrink-0 overflow-y-auto border-r bg-white max-md:w-full"
    aria-label={say.recipe}
  >
    <ReadOnlyRecipe {recipe} {marked} onmark={(stepId) => (marked = stepId)} />
    {#if size}<p class="measured border-hairline border-t px-4 py-2">{size} mm</p>{/if}
  </section>
  <section class="min-h-64 min-w-0 flex-1" aria-label={say.solid}>
    <RecipeSolid
      {filesAt}
      {recipe}
      {limits}
      {marked}
      onmark={(stepId) => (marked = stepId)}
      oninspected={(found) => (size = found?.part.sizeMm.map((mm) => Math.round(mm * 10) / 10).join(' × '))}
    />
  </section>
</div>
