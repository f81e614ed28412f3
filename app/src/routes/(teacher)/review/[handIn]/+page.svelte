<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { browser } from '$app/environment';
  import { goto } from '$app/navigation';
  import { canBeTouched, type Finding, type SupportMark } from '@kelbrin/core/inspect';
  import type { SurfacePoint } from '@kelbrin/core/mesh';
  import { differencesOf } from '@kelbrin/core/recipe';
  import Arguments from '$lib/review/Arguments.svelte';
  import Comparison from '$lib/review/Comparison.svelte';
  import Deciding from '$lib/review/Deciding.svelte';
  import Decision from '$lib/review/Decision.svelte';
  import HandInBackground from '$lib/review/HandInBackground.svelte';
  import ReadOnlyRecipe from '$lib/review/ReadOnlyRecipe.svelte';
  import RecipeSolid from '$lib/bench/beside/RecipeSolid.svelte';
  import RemarkList from '$lib/review/RemarkList.svelte';
  import SupportMarks from '$lib/review/SupportMarks.svelte';
  import { withMark } from '$lib/review/withMark';
  import { placesOf, sentencesOf } from '$lib/review/remarkPlaces';
  import ReviewBar from '$lib/review/ReviewBar.svelte';
  import { isHeldDown, reviewCommand } from '$lib/review/reviewKeys';
  import { targetOf, type Target } from '$lib/review/target';
  import { KeptWritten } from '$lib/review/keptWritten.svelte';
  import type { RemarkDraft } from '$lib/shared/remark';
  import { reviewKeys, reviewTexts as say } from '$lib/texts/review';
  import { follow } from '$lib/live/follow.svelte';
  import { reloadLive } from '$lib/live/reload';
  import InspectionList from '$lib/ui/InspectionList.svelte';
  import KeysSheet from '$lib/ui/KeysSheet.svelte';
  import PartTakes from '$lib/ui/PartTakes.svelte';
  import { sendJson } from '$lib/ui/send';
  import type { Look } from '$lib/ui/solidView/views';

  let { data, form } = $props();

  let marked = $state<string>();
  let chosen = $state.raw<Finding>();
  let target = $state.raw<Target>({ kind: 'whole' });
  const teacherId = untrack(() => data.person!.id);
  const keptWritten = new KeptWritten(browser ? sessionStorage : undefined, teacherId);
  let isComparing = $state(false);
  let isHelping = $state(false);
  let view = $state<Look>({ name: 'Corner', turns: 0 });
  let refusal = $state<string>();
  /** What is asked of the face that is pressed next. */
  let marking = $state<SupportMark['wish']>();
  let deciding = $state<ReturnType<typeof Deciding>>();
  let undoing = $state<HTMLFormElement>();

  // News may bring the same hand-in again; then it stays the same object, and what is chosen of it stays chosen.
  const handInText = $derived(JSON.stringify(data.handIn));
  const handIn = $derived(JSON.parse(handInText) as typeof data.handIn);
  const handInId = $derived(handIn.id);
  const { before } = $derived(data);
  const inspection = $derived(handIn.inspection);
  const written = $derived(keptWritten.on(handInId));
  const isWaiting = $derived(handIn.state === 'waiting');
  const size = $derived(inspection?.part.sizeMm.map((mm) => Math.round(mm * 10) / 10).join(' × '));
  const failing = $derived(inspection?.checks.filter(({ verdict }) => verdict === 'fail') ?? []);
  const findings = $derived(inspection?.checks.flatMap((check) => check.findings) ?? []);
  const changes = $derived(before && differencesOf(before.recipe, handIn.recipe));
  const pins = $derived([
    ...placesOf(data.remarks).map(({ letter, at }) => ({ words: letter, at })),
    ...handIn.supportMarks.map(({ at, wish }) => ({ words: say.marked[wish], at })),
  ]);
  const place = $derived(data.stack.indexOf(handIn.id));

  follow(() => [`project:${data.projectId}`]);

  $effect(() => {
    void handInId;
    marked = undefined;
    chosen = undefined;
    // A remark that is not added yet is in sight, so that no decision passes it over.
    target = { kind: untrack(() => written.remark) === '' ? 'whole' : 'place' };
    isComparing = false;
    refusal = undefined;
    marking = undefined;
  });
  $effect(() => {
    // The student sees that it is looked at, and cannot take it back any more.
    if (isWaiting) sendJson('PUT', `/review/${handInId}/seen`).catch(() => {});
  });

  function choose(finding: Finding): void {
    chosen = chosen === finding ? undefined : finding;
    if (chosen && finding.steps.length > 0) marked = finding.steps.at(-1);
  }

  /** Does something on the server and shows what came of it. */
  async function attempt(work: Promise<void>): Promise<void> {
    try {
      await work;
      refusal = undefined;
    } catch (problem) {
      refusal = (problem as Error).message;
    }
    await reloadLive();
  }
  /** Adds a remark; one that is refused, or does not arrive, is given back to be added again. */
  async function add(draft: RemarkDraft): Promise<void> {
    const id = handInId;
    const sent = sendJson('POST', `/review/${id}/remarks`, draft);
    void attempt(sent);
    await sent.catch(() => {
      keptWritten.giveBack(id, draft.words);
      if (id === handInId) target = targetOf(draft.anchor);
    });
  }
  const remove = (id: string) => attempt(sendJson('DELETE', `/review/${handIn.id}/remarks`, { id }));

  const markSupports = (marks: readonly SupportMark[]) =>
    void attempt(sendJson('PUT', `/review/${handIn.id}/supports`, { marks }));
  function markFace({ point, normal }: SurfacePoint): void {
    refusal = canBeTouched(point[2], normal[2]) ? undefined : say.outOfReach;
    if (!marking || refusal) return;
    markSupports(withMark(handIn.supportMarks, point, marking));
    marking = undefined;
  }

  async function write(at: Target): Promise<void> {
    if (!isWaiting) return;
    target = at;
    await tick();
    deciding?.focus();
  }

  function markBy(step: 1 | -1): void {
    const { steps } = handIn.recipe;
    const at = steps.findIndex(({ id }) => id === marked);
    const next =
      at < 0 ? (step > 0 ? 0 : steps.length - 1) : Math.min(steps.length - 1, Math.max(0, at + step));
    marked = steps[next]?.id;
  }

  /** Opens another hand-in of those that wait, counted from this one. */
  function move(by: 1 | -1): void {
    const { stack } = data;
    const at = place < 0 ? (by > 0 ? 0 : stack.length - 1) : place + by;
    if (stack[at]) void goto(`/review/${stack[at]}`);
  }

  function onkeydown(event: KeyboardEvent): void {
    const command = reviewCommand(event);
    if (isHeldDown(event)) return event.preventDefault();
    if (!command || isHelping) return;
    event.preventDefault();
    if (typeof command === 'object') view = { name: command.view, turns: view.turns + 1 };
    else if (command === 'next') move(1);
    else if (command === 'back') move(-1);
    else if (command === 'stepDown') markBy(1);
    else if (command === 'stepUp') markBy(-1);
    else if (command === 'finding') {
      const next = findings[(chosen ? findings.indexOf(chosen) + 1 : 0) % Math.max(1, findings.length)];
      if (next && next !== chosen) choose(next);
    } else if (command === 'remarkStep')
      void write(marked ? { kind: 'step', step: marked } : { kind: 'whole' });
    else if (command === 'remarkPlace') void write({ kind: 'place', at: chosen?.at });
    else if (command === 'whole') void write({ kind: 'whole' });
    else if (command === 'approve') void deciding?.approve();
    else if (command === 'compare' && before) isComparing = !isComparing;
    else if (command === 'undo') undoing?.requestSubmit();
    else if (command === 'keys') isHelping = true;
  }
</script>

<svelte:head><title>{data.student} · {say.title} · Kelbrin</title></svelte:head>
<svelte:window {onkeydown} />

<main class="flex h-[calc(100vh-var(--bar-height))] flex-col">
  <ReviewBar {data} {place} bind:isComparing bind:undoing onmove={move} onkeys={() => (isHelping = true)} />

  <div class="flex min-h-0 flex-1">
    <section
      class="border-hairline flex w-[340px] shrink-0 flex-col overflow-y-auto border-r bg-white"
      aria-label={say.recipe}
    >
      <ReadOnlyRecipe
        recipe={handIn.recipe}
        {marked}
        onmark={(stepId) => (marked = stepId)}
        remarks={sentencesOf(data.remarks)}
      />
      <HandInBackground
        note={handIn.note}
        other={data.other}
        {before}
        {changes}
        task={data.brief.task}
        onmark={(stepId) => (marked = stepId)}
      />
    </section>

    <section class="flex min-w-0 flex-1 flex-col" aria-label={say.solid}>
      <div class="min-h-0 flex-1">
        {#key `${handIn.id} ${isComparing}`}
          {#if isComparing && before}
            <Comparison
              filesAt="/file/{data.projectId}"
              {before}
              now={handIn}
              {marked}
              {chosen}
              {pins}
              bind:view
              onmark={(stepId) => (marked = stepId)}
            />
          {:else}
            <RecipeSolid
              filesAt="/file/{data.projectId}"
              recipe={handIn.recipe}
              limits={handIn.limits}
              brief={handIn.rules}
              {marked}
              {chosen}
              {pins}
              bind:view
              onmark={(stepId) => (marked = stepId)}
              supportMarks={handIn.supportMarks}
              onplace={marking
                ? markFace
                : target.kind === 'place' && !target.at
                  ? ({ point }) => void write({ kind: 'place', at: point })
                  : undefined}
            />
          {/if}
        {/key}
      </div>
      <p class="border-hairline flex gap-6 border-t bg-white px-4 py-1.5 text-sm">
        {#if inspection && data.estimate}
          <span><span class="measured">{size}</span> mm</span>
          <span><span class="measured">{(inspection.part.volumeMm3 / 1000).toFixed(2)}</span> cm³</span>
          <PartTakes estimate={data.estimate} limits={handIn.limits} copies={data.brief.copies} />
        {/if}
      </p>
    </section>

    <section
      class="border-hairline flex w-[320px] shrink-0 flex-col border-l bg-white"
      aria-label={say.inspection}
    >
      <div class="min-h-0 flex-1 overflow-y-auto">
        <Arguments said={handIn.arguments} />
        {#if inspection}
          <InspectionList {inspection} {chosen} onchoose={choose} />
        {:else if handIn.problem}
          <p class="text-fail p-4">{handIn.problem}</p>
        {:else}
          <p class="text-ink-soft p-4">{say.inspecting}</p>
        {/if}
      </div>

      <div
        class="border-hairline bg-ground flex max-h-[60%] shrink-0 flex-col gap-3 overflow-y-auto border-t p-4"
      >
        {#if (form?.message ?? refusal) !== undefined}
          <p role="alert" class="text-fail">{refusal ?? form?.message}</p>
        {/if}
        {#if handIn.mayBeHeld}
          <SupportMarks
            marks={handIn.supportMarks}
            bind:wish={marking}
            place={chosen?.at}
            change={isWaiting ? markSupports : undefined}
          />
        {/if}
        <RemarkList
          remarks={data.remarks}
          recipe={handIn.recipe}
          onmark={(stepId) => (marked = stepId)}
          onremove={isWaiting ? remove : undefined}
        />
        {#if isWaiting}
          <Deciding
            bind:this={deciding}
            bind:target
            bind:written={() => written, (now) => keptWritten.write(handInId, now)}
            {handIn}
            student={data.student}
            {failing}
            {marked}
            kept={data.kept}
            place={chosen?.at}
            onadd={add}
            onkeep={(words) => void attempt(sendJson('POST', '/review/kept', { words }))}
            onforget={(id) => void attempt(sendJson('DELETE', '/review/kept', { id }))}
            onheld={(reason) => (refusal = reason)}
          />
        {:else if handIn.state === 'approved' || handIn.state === 'sent_back'}
          <Decision {handIn} waivers={data.waivers} bind:undoing />
        {/if}
      </div>
    </section>
  </div>
</main>

<KeysSheet bind:open={isHelping} keys={reviewKeys} />
