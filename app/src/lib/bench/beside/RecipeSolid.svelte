<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import type { BriefRules, Finding, Inspection, LimitsCard, SupportMark } from '@kelbrin/core/inspect';
  import type { Recipe } from '@kelbrin/core/recipe';
  import { SolidClient } from '../worker/solidClient';
  import type { ShownSolid } from '../worker/messages';
  import SolidWorker from '../worker/solid.worker?worker';
  import { facesOf, type SurfacePoint } from '@kelbrin/core/mesh';
  import type { LinkedView } from '$lib/ui/solidView/linkedView.svelte';
  import type { Note } from '$lib/ui/solidView/notes';
  import { lookingAt, type Look } from '$lib/ui/solidView/views';
  import SolidView from '$lib/ui/solidView/SolidView.svelte';

  interface Props {
    /** Where the files that the recipe imports are fetched from. */
    filesAt: string;
    recipe: Recipe;
    limits: LimitsCard;
    marked?: string;
    chosen?: Finding;
    onmark(stepId: string | undefined): void;
    /** What the brief asks, where the browser's own inspection is wanted. */
    brief?: BriefRules;
    /** The faces that supports are to keep away from, or to hold. */
    supportMarks?: readonly SupportMark[];
    pins?: readonly Note[];
    /** Hears of the place that is pressed, while one is asked for. */
    onplace?(place: SurfacePoint): void;
    linked?: LinkedView;
    view?: Look;
    /** Hears the browser's own inspection, or why the recipe cannot be built. */
    oninspected?(inspection: Inspection | undefined, problem: string | undefined): void;
  }
  let {
    filesAt,
    recipe,
    limits,
    marked,
    chosen,
    onmark,
    brief = {},
    supportMarks = [],
    pins,
    onplace,
    linked,
    view = $bindable({ name: 'Corner', turns: 0 }),
    oninspected,
  }: Props = $props();

  let solid = $state.raw<ShownSolid>();
  let supports = $state.raw<Float32Array>();
  const client = untrack(() => {
    const setting = { limits, brief, filesAt };
    return new SolidClient(new SolidWorker({ name: document.documentElement.lang }), setting, (message) => {
      if (message.kind === 'solid') {
        [solid, supports] = [message.solid, undefined];
        if (solid.isInspected) oninspected?.(solid.inspection, undefined);
      } else if (message.kind === 'estimate') supports = message.supportLines;
      else if (message.kind === 'inspected') oninspected?.(message.inspection, undefined);
      else if (message.kind === 'problem') oninspected?.(undefined, message.problem.message);
    });
  });
  $effect(() => client.show({ partId: '', recipe, supportMarks }));
  onDestroy(() => client.close());

  const markedStep = $derived.by(() => {
    const at = recipe.steps.findIndex(({ id }) => id === marked);
    return at < 0 ? undefined : at;
  });

  // What is chosen is looked at from where it is seen.
  $effect(() => {
    if (!chosen || chosen.triangles.length === 0) return;
    const { triangles } = chosen;
    untrack(() => {
      if (solid) view = { from: lookingAt(facesOf(solid.mesh), triangles), turns: view.turns + 1 };
    });
  });

  function pick(triangle: number | undefined): void {
    const step = triangle === undefined ? undefined : solid?.mesh.stepOf?.[triangle];
    onmark(step === undefined ? undefined : recipe.steps[step]?.id);
  }
</script>

{#if solid}
  <SolidView
    mesh={solid.mesh}
    edges={solid.edges}
    colour="#3f8f5f"
    colours={solid.colours}
    plateMm={[limits.buildVolumeMm[0], limits.buildVolumeMm[1]]}
    {markedStep}
    hatched={chosen}
    {supports}
    onpick={pick}
    {pins}
    {onplace}
    {linked}
    bind:view
  />
{/if}
