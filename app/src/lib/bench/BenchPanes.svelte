<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Inspection } from '@kelbrin/core/inspect';
  import { isOnlyToDo } from '$lib/ui/toDo';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';
  import { benchTexts as say } from '$lib/texts/bench';

  /**
   * The panes of the bench, side by side. Where they have no room, the solid stays in sight over one of the others, which
   * are chosen by tabs; on a low screen, one is shown at a time.
   */
  interface Props {
    recipe: Snippet;
    ruler: Snippet;
    stage: Snippet;
    inspection: Snippet;
    /** What the inspection comes to, once there is one. */
    result?: Inspection;
    /** Whether an outline is drawn on the stage: it takes the room of what is not of the drawing. */
    isDrawing: boolean;
    /** What lies over all of them. */
    over: Snippet;
  }
  let { recipe, ruler, stage, inspection, result, isDrawing, over }: Props = $props();

  const panes = { recipe: say.recipe, solid: say.solid, inspection: say.inspection };
  type Pane = keyof typeof panes;
  let pane = $state<Pane>('recipe');
  $effect(() => {
    if (isDrawing) pane = 'solid';
  });
</script>

<div class="relative min-h-0 flex-1">
  <div class="panes h-full" data-pane={pane} data-drawing={isDrawing ? '' : undefined}>
    <section
      class="recipe border-hairline flex flex-col overflow-y-auto bg-white"
      aria-label={say.recipe}
      data-recipe
    >
      {@render recipe()}
    </section>
    <div class="ruler">{@render ruler()}</div>
    <div class="stage flex min-w-0">{@render stage()}</div>
    <section class="inspection border-hairline overflow-y-auto bg-white" aria-label={say.inspection}>
      {@render inspection()}
    </section>
  </div>
  {@render over()}
</div>
<div class="tabs border-hairline shrink-0 border-t bg-white" role="group" aria-label={say.panes}>
  {#each Object.entries(panes) as [name, label] (name)}
    <button
      type="button"
      class="flex min-h-11 flex-1 items-center justify-center gap-2 {name === pane
        ? 'bg-primary-50 text-primary-800 font-semibold'
        : ''}"
      aria-pressed={name === pane}
      onclick={() => (pane = name as Pane)}
    >
      {label}
      {#if name === 'inspection' && result}
        <VerdictChip verdict={result.verdict} isToDo={isOnlyToDo(result)} />
      {/if}
    </button>
  {/each}
</div>

<style>
  .panes {
    display: grid;
    grid-template-areas: 'recipe ruler stage inspection';
    grid-template-columns: 392px auto minmax(0, 1fr) 300px;
    grid-template-rows: minmax(0, 1fr);
  }
  /* What changes in one of them has nothing to do with where things are in the others. */
  .recipe,
  .stage,
  .inspection {
    contain: layout paint style;
  }
  .recipe {
    grid-area: recipe;
    border-right-width: 1px;
  }
  .ruler {
    display: flex;
    grid-area: ruler;
  }
  .stage {
    grid-area: stage;
  }
  .inspection {
    grid-area: inspection;
    border-left-width: 1px;
  }
  .tabs {
    display: none;
  }
  @media (min-width: 1024px) {
    .panes[data-drawing] {
      grid-template-areas: 'recipe stage';
      grid-template-columns: 392px minmax(0, 1fr);
    }
    [data-drawing] .ruler,
    [data-drawing] .inspection {
      display: none;
    }
  }
  @media (max-width: 1150px) {
    .panes {
      grid-template-columns: 320px auto minmax(0, 1fr) 250px;
    }
    .panes[data-drawing] {
      grid-template-columns: 320px minmax(0, 1fr);
    }
  }
  @media (max-width: 1023px) {
    .panes {
      grid-template-areas: 'ruler stage' 'below below';
      grid-template-columns: auto minmax(0, 1fr);
      grid-template-rows: minmax(0, 42%) minmax(0, 1fr);
    }
    .panes[data-drawing] {
      grid-template-columns: auto minmax(0, 1fr);
    }
    [data-drawing][data-pane='solid'] .ruler {
      display: none;
    }
    .panes[data-drawing][data-pane='solid'] {
      grid-template-areas: 'stage stage' 'below below';
    }
    .panes[data-pane='solid'] {
      grid-template-rows: minmax(0, 1fr) 0;
    }
    .recipe,
    .inspection {
      grid-area: below;
      border-width: 1px 0 0;
    }
    [data-pane='inspection'] .recipe,
    [data-pane='recipe'] .inspection,
    [data-pane='solid'] .recipe,
    [data-pane='solid'] .inspection {
      display: none;
    }
    .tabs {
      display: flex;
    }
  }
  @media (max-width: 1023px) and (max-height: 519px) {
    .panes[data-pane='recipe'],
    .panes[data-pane='inspection'] {
      grid-template-rows: 0 minmax(0, 1fr);
    }
    [data-pane='recipe'] .ruler,
    [data-pane='inspection'] .ruler,
    [data-pane='recipe'] .stage,
    [data-pane='inspection'] .stage {
      display: none;
    }
  }
</style>
