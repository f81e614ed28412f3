<script lang="ts">
  import { onDestroy, tick, untrack, type ComponentProps, type Snippet } from 'svelte';
  import type { Finding, BriefRules, LimitsCard } from '@kelbrin/core/inspect';
  import { languageTag } from '@kelbrin/core/words';
  import { partOf, type Design } from '@kelbrin/core/design';
  import type { OpenedToken, Wanted } from '@kelbrin/core/recipe';
  import { facesOf } from '@kelbrin/core/mesh';
  import type SolidView from '$lib/ui/solidView/SolidView.svelte';
  import { asJson } from '$lib/ui/send';
  import { lookingAt, type Look } from '$lib/ui/solidView/views';
  import { Autosave } from './state/autosave.svelte';
  import { BenchState } from './state/bench.svelte';
  import BenchBar from './BenchBar.svelte';
  import BenchHelp from './BenchHelp.svelte';
  import BenchFoot from './BenchFoot.svelte';
  import BenchPanes from './BenchPanes.svelte';
  import BenchStage from './BenchStage.svelte';
  import ConflictDialog from './dialogs/ConflictDialog.svelte';
  import ExportDialog from './dialogs/ExportDialog.svelte';
  import FileInputs from './recipe/FileInputs.svelte';
  import { focusStep } from './recipe/focusStep';
  import PointerNote from './recipe/PointerNote.svelte';
  import { addFontFaces } from './recipe/fontFaces';
  import { portraitsOf } from './state/portraitsOf.svelte';
  import { solidSettles } from './state/becomes';
  import { drawingBegunBy } from './state/beingDrawn';
  import { joinCompany } from './state/joinCompany.svelte';
  import { KeptHistory } from './state/keptHistory';
  import CutRuler from './inspection/CutRuler.svelte';
  import InspectionPane from './inspection/InspectionPane.svelte';
  import AddStep from './recipe/offers/AddStep.svelte';
  import RecipePane from './recipe/RecipePane.svelte';
  import SaveNotice from './SaveNotice.svelte';
  import StartersDialog from './dialogs/StartersDialog.svelte';
  import VersionsDialog from './dialogs/VersionsDialog.svelte';
  import SolidWorker from './worker/solid.worker?worker';

  interface Props {
    projectId: string;
    title: string;
    /** Whether others design it too. */
    isTeam: boolean;
    /** The display name of whoever designs. */
    author: string;
    design: Design;
    revision: number;
    versions: ComponentProps<typeof VersionsDialog>['versions'];
    /** Asks for the list of versions anew. */
    onkept(): Promise<void>;
    /** How the files of the class are called. */
    filePattern: string;
    limits: LimitsCard;
    /** What the brief asks beyond the card. */
    brief: BriefRules;
    /** How many copies of the part are printed. */
    copies: number;
    colour: string;
    /** What stands at the end of the title line, given the bench's saving. */
    actions: Snippet<[{ bench: BenchState; autosave: Autosave }]>;
    /** Words that stand at places on the part. */
    pins?: ComponentProps<typeof SolidView>['pins'];
    /** The part at which they stand. */
    pinnedPart?: string;
    /** What stands over everything. */
    top?: Snippet<[{ bench: BenchState }]>;
    /** What stands over the recipe. */
    lead?: Snippet<[{ bench: BenchState }]>;
  }
  let {
    projectId,
    title,
    isTeam,
    author,
    design,
    revision,
    versions,
    onkept,
    filePattern,
    limits,
    brief,
    copies,
    colour,
    actions,
    pins,
    pinnedPart,
    top,
    lead,
  }: Props = $props();

  // The bench belongs to one project for as long as it is shown; another project gets a bench of its own.
  const { bench, autosave, kept } = untrack(() => {
    const server = { revision, design };
    const saving: Autosave = new Autosave(projectId, server, {
      storage: localStorage,
      put: (body) => fetch(`/bench/${projectId}/design`, asJson('PUT', body)),
      takeIn: (taken) => state.takeIn(taken),
    });
    const setting = { limits, brief, filesAt: `/file/${projectId}` };
    const state: BenchState = new BenchState(
      design,
      setting,
      new SolidWorker({ name: languageTag() }),
      (changed) => saving.changed(changed),
    );
    const draft = saving.recover(server);
    if (draft) state.replace(draft, 'saved');
    const keeping = new KeptHistory(projectId);
    keeping.recover(state.design).then(
      (states) => states && state.history.restore(states),
      () => {},
    );
    return { bench: state, autosave: saving, kept: keeping };
  });
  onDestroy(() => {
    autosave.close();
    kept.close();
    bench.close();
  });

  const portraits = untrack(() => portraitsOf(bench));
  const company = untrack(() => joinCompany(projectId, isTeam, bench));

  let isPlanLarge = $state(false);
  let isHelping = $state(false);
  let isAdding = $state(false);
  let isBeginning = $state(false);
  let isExporting = $state(false);
  let isLookingBack = $state(false);
  let files = $state<ReturnType<typeof FileInputs>>();
  let view = $state<Look>({ name: 'Corner', turns: 0 });

  /** Turns the view so that a finding is seen. */
  function look({ triangles }: Finding): void {
    if (!bench.solid || triangles.length === 0) return;
    isPlanLarge = false;
    view = { from: lookingAt(facesOf(bench.solid.mesh), triangles), turns: view.turns + 1 };
  }

  $effect(() => {
    const heard = { revision, design };
    untrack(() => autosave.hear(heard));
  });

  $effect(() => kept.changed(bench.design, () => bench.history.states));
  $effect(addFontFaces);

  function open(stepId: string, token: OpenedToken): void {
    if (token.type === 'face') {
      bench.pickingFace = bench.pickingFace?.stepId === stepId ? undefined : { stepId, path: token.path };
      isPlanLarge = false;
    } else if (token.type === 'drawing' && token.kind !== 'svg') {
      bench.drawing = { stepId, path: token.path };
    } else if (token.type === 'corners') isPlanLarge = true;
    else if (token.type === 'edges') isPlanLarge = false;
    else files?.choose(stepId, token);
  }

  /** Adds a step and goes to what is changed in it first: the words that it writes, or a number. */
  async function add(wanted: Wanted): Promise<void> {
    isAdding = false;
    // Where it lands depends on how large things are now, also right after a number was typed.
    await solidSettles(bench);
    bench.addStep(wanted);
    bench.drawing = drawingBegunBy(bench.recipe.steps.at(-1)) ?? bench.drawing;
    await tick();
    if (bench.marked !== undefined) focusStep(bench.marked);
  }

  /** Goes back to where what can be added is opened. */
  function endAdding(): void {
    isAdding = false;
    document.querySelector<HTMLElement>('[data-add-step]')?.focus();
  }

  // Where nothing is made yet, what can be made is shown.
  $effect(() => {
    if (bench.partId !== '' && untrack(() => bench.recipe.steps.length === 0)) isAdding = true;
  });

  function onkeydown(event: KeyboardEvent): void {
    // A dialog over the bench has keys of its own.
    if (event.target instanceof Element && event.target.closest('dialog')) return;
    const inWords =
      event.target instanceof HTMLTextAreaElement ||
      (event.target instanceof HTMLInputElement &&
        event.target.matches('[type=text]:not([role=spinbutton])'));
    const inField =
      inWords || event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
    const key = event.key.toLowerCase();
    if (!event.ctrlKey && !event.metaKey && !event.altKey && !inField) {
      const name = (['Top', 'Front', 'Side', 'Corner'] as const)[Number(event.key) - 1];
      if (name) view = { name, turns: view.turns + 1 };
      else if (key === 'p') isPlanLarge = !isPlanLarge;
      else if (key === '?') isHelping = true;
      else if (key === 'a') {
        event.preventDefault();
        isAdding = true;
      }
      return;
    }
    if (!(event.ctrlKey || event.metaKey) || inWords) return;
    if (key !== 'z' && key !== 'y') return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) bench.redo();
    else bench.undo();
  }
</script>

<svelte:window {onkeydown} onpagehide={() => autosave.keep()} />

<div class="flex min-h-0 flex-1 flex-col">
  {@render top?.({ bench })}
  <SaveNotice {autosave} design={bench.design} {title} />
  <div
    class="touchable border-hairline flex min-h-12 shrink-0 flex-wrap items-center gap-x-2 border-b bg-white px-4 max-sm:px-2"
  >
    <h1 class="min-w-0 truncate text-lg max-sm:flex-1">{title}</h1>
    <BenchBar
      {bench}
      onversions={() => (isLookingBack = true)}
      onkeys={() => (isHelping = true)}
      onexport={() => (isExporting = true)}
    />
    <div class="ml-auto flex items-center gap-3 max-sm:ml-0 max-sm:w-full max-sm:gap-2 max-sm:pb-1.5">
      {@render actions({ bench, autosave })}
    </div>
  </div>

  <BenchPanes
    result={bench.solid?.isInspected ? bench.solid.inspection : undefined}
    isDrawing={bench.drawing !== undefined}
  >
    {#snippet recipe()}
      <PointerNote {bench} {company} />
      {@render lead?.({ bench })}
      <RecipePane
        {bench}
        {company}
        {portraits}
        onopen={open}
        onfile={() => files?.choosePart()}
        {isAdding}
        onadd={() => (isAdding = !isAdding)}
        onexample={() => (isBeginning = true)}
      />
    {/snippet}
    {#snippet ruler()}
      <CutRuler
        solid={bench.solid}
        marked={bench.marked}
        cut={bench.showing.cut}
        onmark={(stepId) => (bench.marked = stepId)}
        oncut={(cut) => bench.showing.cutAt(cut)}
      />
    {/snippet}
    {#snippet stage()}
      <BenchStage
        {bench}
        {limits}
        {colour}
        bind:isPlanLarge
        bind:view
        pins={[...(bench.partId === pinnedPart ? (pins ?? []) : []), ...company.pins(bench.partId)]}
      />
    {/snippet}
    {#snippet inspection()}<InspectionPane {bench} onlook={look} />{/snippet}
    {#snippet over()}
      {#if isAdding}
        <AddStep
          recipe={bench.recipe}
          onadd={add}
          onexample={() => {
            isAdding = false;
            isBeginning = true;
          }}
          onclose={endAdding}
        />
      {/if}
    {/snippet}
  </BenchPanes>
  <BenchFoot {bench} save={autosave.state} {limits} {copies} />
</div>

<ConflictDialog {autosave} />
<StartersDialog bind:open={isBeginning} {bench} />

<BenchHelp bind:open={isHelping} {autosave} />
<ExportDialog
  bind:open={isExporting}
  {bench}
  brief={title}
  part={partOf(bench.design, bench.partId).name}
  {author}
  version={(versions[0]?.number ?? 0) + 1}
  pattern={filePattern}
  {colour}
/>
<VersionsDialog bind:open={isLookingBack} {bench} {autosave} {projectId} {versions} {onkept} />
<FileInputs bind:this={files} {bench} {projectId} />
