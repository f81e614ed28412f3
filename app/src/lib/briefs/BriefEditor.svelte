<script lang="ts">
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { untrack } from 'svelte';
  import { askBeforeLeaving } from '$lib/ui/askBeforeLeaving';
  import { enhance } from '$lib/ui/enhance';
  import { Button, Checkbox, Input, Select } from 'flowbite-svelte';
  import { MOST_COPIES, type BriefDraft } from '$lib/shared/briefDraft';
  import TaskEditor from '$lib/task/TaskEditor.svelte';
  import GuidanceEditor from '$lib/guidance/GuidanceEditor.svelte';
  import { shortDay, today } from '$lib/ui/times';
  import { briefPage as say } from '$lib/texts/briefPage';
  import { libraryTexts } from '$lib/texts/library';
  import { guidanceTexts } from '$lib/texts/guidance';
  import RequirementList from './RequirementList.svelte';
  import StarterChoice from './StarterChoice.svelte';

  interface Props {
    draft: BriefDraft;
    /** How many students have begun the brief. */
    begun: number;
    /** Whether students see it. */
    isShown: boolean;
    classes: readonly { readonly id: string; readonly name: string }[];
  }
  let { draft: given, begun, isShown, classes }: Props = $props();

  let draft = $state.raw(untrack(() => given));
  /** The state that the server has. */
  let kept = $state.raw(untrack(() => given));
  let toClass = $state('');
  const isKept = $derived(JSON.stringify(draft) === JSON.stringify(kept));

  const edit = (change: Partial<BriefDraft>) => (draft = { ...draft, ...change });
  const setRule = (change: Partial<BriefDraft['rules']>) => edit({ rules: { ...draft.rules, ...change } });

  /** A day that is over may be meant, for a class that hands in late; it is asked once. */
  const isPast = $derived(draft.dueOn !== null && draft.dueOn !== kept.dueOn && draft.dueOn < today());
  let askedFor = $state<string | null>();

  askBeforeLeaving(() => isKept, say.leave);
</script>

<form
  method="POST"
  action="?/save"
  class="sheet flex flex-col gap-4 p-5"
  use:enhance={({ formData, cancel }) => {
    if (isPast && askedFor !== draft.dueOn) {
      askedFor = draft.dueOn;
      return cancel();
    }
    const sent = draft;
    formData.set('draft', JSON.stringify(sent));
    return async ({ result, update }) => {
      if (result.type === 'success') kept = sent;
      await update({ reset: false });
    };
  }}
>
  <div class="flex gap-4">
    <label class="flex-1">
      {say.title}
      <Input class="mt-1" maxlength={80} bind:value={() => draft.title, (title) => edit({ title })} />
    </label>
    <label>
      {say.dueOn}
      <Input
        type="date"
        class="mt-1"
        bind:value={() => draft.dueOn ?? '', (dueOn) => edit({ dueOn: dueOn || null })}
      />
    </label>
  </div>
  <div>
    {say.task}
    <div class="mt-1">
      <TaskEditor label={say.task} task={draft.task} onchange={(task) => edit({ task })} />
    </div>
  </div>
  <div class="flex gap-4">
    <div class="flex-1">
      <StarterChoice starter={draft.starter} onchange={(starter) => edit({ starter })} />
    </div>
    <label class="flex flex-col">
      {say.copies}
      <NumberField
        min={1}
        max={MOST_COPIES}
        whole
        class="mt-1 h-10.5 w-32"
        kept={draft.copies}
        onchange={(copies) => copies !== null && edit({ copies })}
      />
    </label>
  </div>
  <Checkbox bind:checked={() => draft.plainWords, (plainWords) => edit({ plainWords })}>
    {say.plainWords}
  </Checkbox>
  <section aria-label={say.requirements}>
    <h2>{say.requirements}</h2>
    <p class="text-ink-soft mb-1">{say.requirementsWhat}</p>
    <RequirementList
      requirements={draft.rules.requirements ?? []}
      onchange={(requirements) => setRule({ requirements })}
    />
    <div class="mt-3 flex flex-col gap-2">
      <Checkbox
        bind:checked={() => draft.rules.severalBodies ?? false, (severalBodies) => setRule({ severalBodies })}
      >
        {say.severalBodies}
      </Checkbox>
      <Checkbox bind:checked={() => draft.rules.mayBeHeld ?? false, (mayBeHeld) => setRule({ mayBeHeld })}>
        {say.mayBeHeld}
      </Checkbox>
      <Checkbox
        bind:checked={() => draft.rules.forSmallHands ?? false, (forSmallHands) => setRule({ forSmallHands })}
      >
        {say.forSmallHands}
      </Checkbox>
    </div>
  </section>
  <section aria-label={guidanceTexts.asked}>
    <h2>{guidanceTexts.asked}</h2>
    <p class="text-ink-soft mb-1">{guidanceTexts.askedWhat}</p>
    <GuidanceEditor prompts={draft.guidance} onchange={(guidance) => edit({ guidance })} />
  </section>
  <div class="flex items-center gap-4">
    <Button type="submit" disabled={isKept}
      >{isPast && askedFor === draft.dueOn ? say.saveAllTheSame : say.save}</Button
    >
    {#if isPast && askedFor === draft.dueOn}
      <span class="text-warn-ink" role="alert">{say.duePast(shortDay(draft.dueOn!))}</span>
    {:else}
      <span class="text-ink-soft" role="status"
        >{!isKept ? say.unsaved : isShown ? say.begun(begun) : say.notShown}</span
      >
    {/if}
  </div>
</form>

<div class="sheet mt-5 flex flex-wrap items-end gap-3 p-4">
  <form method="POST" action="?/copy" class="flex flex-wrap items-end gap-3" use:enhance>
    <label>
      {say.copyTo}
      <Select
        name="toClass"
        class="mt-1 w-64"
        placeholder=""
        items={classes.map(({ id, name }) => ({ value: id, name }))}
        bind:value={toClass}
      />
    </label>
    <Button type="submit" color="alternative" disabled={toClass === '' || !isKept}>{say.copy}</Button>
  </form>
  <form method="POST" action="?/keep" class="flex flex-wrap items-center gap-3" use:enhance>
    <Button type="submit" color="alternative" disabled={!isKept}>{say.keep}</Button>
    <a class="text-primary-800 underline underline-offset-2" href="/library">{libraryTexts.title}</a>
  </form>
  <AskFirst
    label={say.remove}
    title={say.removeTitle}
    what={say.removeWhat}
    action="?/remove"
    size="md"
    class="text-fail ml-auto"
    disabled={begun > 0}
  />
</div>
