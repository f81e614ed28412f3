<script lang="ts">
  import { untrack } from 'svelte';
  import { Select } from 'flowbite-svelte';
  import { sameRecipe, type Recipe } from '@kelbrin/core/recipe';
  import { starters } from '@kelbrin/core/starters';
  import { briefPage as say } from '$lib/texts/briefPage';

  interface Props {
    /** What students of the brief begin with; nothing when null. */
    starter: Recipe | null;
    onchange(starter: Recipe | null): void;
  }
  let { starter, onchange }: Props = $props();

  const NONE = 'none';
  const OWN = 'own';
  const exampleFor = (recipe: Recipe) => starters.find((each) => sameRecipe(each.recipe, recipe));
  /** A recipe that is none of the examples stays to be chosen again. */
  const own = untrack(() => (starter && !exampleFor(starter) ? starter : undefined));

  const chosen = $derived(starter === null ? NONE : (exampleFor(starter)?.id ?? OWN));
  const items = [
    { value: NONE, name: say.noStarter },
    ...(own ? [{ value: OWN, name: say.ownStarter }] : []),
    ...starters.map(({ id, title }) => ({ value: id, name: title })),
  ];

  function choose(id: string): void {
    if (id === OWN && own) onchange(own);
    else onchange(starters.find((each) => each.id === id)?.recipe ?? null);
  }
</script>

<label>
  {say.starter}
  <Select class="mt-1" placeholder="" {items} bind:value={() => chosen, choose} />
</label>
