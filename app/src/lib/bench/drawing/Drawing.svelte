<script lang="ts">
  import type { PointsOutline, Region } from '@kelbrin/core/recipe';
  import type { BenchState } from '../state/bench.svelte';
  import AskBar from './AskBar.svelte';
  import { DrawingState } from './drawing.svelte';
  import DrawingBar from './DrawingBar.svelte';
  import DrawingSheet from './DrawingSheet.svelte';
  import NodeTable from './NodeTable.svelte';
  import RuleList from './RuleList.svelte';
  import { SheetView } from './sheetView.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The sheet on which an outline is drawn, with its points and its rules beside it. */
  interface Props {
    bench: BenchState;
    outline: PointsOutline;
    /** A half profile, x its distance from an axis. */
    isProfile: boolean;
    /** What is wrong with the outline, and where. */
    problem?: { message: string; at?: readonly [number, number] };
    /** What else is there, in the measure of the drawing. */
    beside?: Region;
    onchange(outline: PointsOutline, gesture?: number): void;
    ondone(): void;
  }
  let { bench, outline, isProfile, problem, beside = [], onchange, ondone }: Props = $props();

  const drawing = new DrawingState({
    outline: () => outline,
    measures: () => bench.measures,
    isProfile: () => isProfile,
    put: (changed, gesture) => onchange(changed, gesture),
  });
  const view = new SheetView();
  let tool = $state<'lines' | 'arcs' | 'freehand'>('lines');
  let snaps = $state(true);
  let isFolded = $state(true);
  // A drawing that has rules begins with them.
  // svelte-ignore state_referenced_locally
  let isRules = $state((outline.rules?.length ?? 0) > 0);

  function done(): void {
    drawing.finish();
    ondone();
  }

  const wrong = $derived(drawing.isUnfinished ? undefined : problem);
  const hint = $derived(drawing.isUnfinished ? (drawing.at.length > 0 ? say.howOn : say.how) : say.howToAsk);
</script>

<div class="flex h-full w-full flex-col bg-white">
  <DrawingBar {drawing} {isProfile} bind:tool bind:snaps onwhole={() => view.fit()} ondone={done} />
  <AskBar {drawing} measures={bench.measures} {hint} onasked={() => (isRules = true)} />
  <div class="flex min-h-0 flex-1 flex-col sm:flex-row">
    <DrawingSheet
      {drawing}
      {view}
      {beside}
      bind:tool
      {snaps}
      measures={bench.measures}
      problem={wrong}
      ondone={done}
    />
    <div
      class="side border-hairline flex shrink-0 flex-col text-sm max-sm:max-h-44 max-sm:border-t sm:w-56 sm:border-l"
    >
      <div class="border-hairline flex border-b" role="tablist">
        {#each [false, true] as each (each)}
          <button
            type="button"
            role="tab"
            aria-selected={isRules === each}
            class="min-h-9 flex-1 px-2 py-1 pointer-coarse:min-h-11 {isRules === each
              ? 'border-primary-700 border-b-2 font-semibold'
              : 'text-ink-soft'}"
            onclick={() => {
              isFolded = isRules === each && !isFolded;
              isRules = each;
            }}
            >{each ? say.rules : say.points}
            <span class="measured">{each ? drawing.rules.length : drawing.at.length}</span></button
          >
        {/each}
      </div>
      <!-- On a narrow screen the drawing has their room until they are wanted. -->
      <div class="flex min-h-0 flex-1 flex-col {isFolded ? 'max-sm:hidden' : ''}">
        {#if isRules}
          <RuleList {drawing} measures={bench.measures} />
        {:else}
          <NodeTable {drawing} {isProfile} measures={bench.measures} />
        {/if}
      </div>
    </div>
  </div>
</div>
