<script lang="ts">
  import { Button, Textarea } from 'flowbite-svelte';
  import type { Vec3 } from '@kelbrin/core/mesh';
  import type { Recipe } from '@kelbrin/core/recipe';
  import type { RemarkDraft } from '$lib/shared/remark';
  import { reviewTexts as say } from '$lib/texts/review';
  import type { Target } from './target';
  import type { Written } from './written';

  interface Props {
    target: Target;
    written: Written;
    recipe: Recipe;
    /** The step that is marked, which a remark can be written at. */
    marked?: string;
    kept: readonly { readonly id: string; readonly words: string }[];
    /** The place where a remark would stand without pressing one. */
    place?: Vec3;
    onadd(draft: RemarkDraft): void;
    onkeep(words: string): void;
    onforget(keptId: string): void;
    /** All was said; what is decided with it is pressed outside of the field. */
    onsaid(): void;
  }
  let {
    target = $bindable(),
    written = $bindable(),
    recipe,
    marked,
    kept,
    place,
    onadd,
    onkeep,
    onforget,
    onsaid,
  }: Props = $props();

  let field = $state<HTMLDivElement>();
  const isWhole = $derived(target.kind === 'whole');
  const words = $derived(isWhole ? written.comment : written.remark);
  const stepNumber = (step: string) => recipe.steps.findIndex(({ id }) => id === step) + 1;
  const label = $derived.by(() => {
    if (target.kind === 'whole') return say.whole;
    if (target.kind === 'step') return say.remarkAtStep(stepNumber(target.step));
    return target.at ? say.remarkAtPlace : say.pressPlace;
  });

  /** Puts the cursor where what comes next is written. */
  export function focus(): void {
    field?.querySelector('textarea')?.focus();
  }

  function write(text: string): void {
    written = { ...written, [isWhole ? 'comment' : 'remark']: text };
  }

  function add(): void {
    if (target.kind !== 'whole') {
      const anchor =
        target.kind === 'step' ? { step: target.step } : target.at && { at: [...target.at] as Vec3 };
      const remark = written.remark.trim();
      if (!anchor || remark === '') return;
      onadd({ words: remark, anchor: anchor as RemarkDraft['anchor'] });
      written = { ...written, remark: '' };
      target = { kind: 'whole' };
    }
    onsaid();
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      add();
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      target = { kind: 'whole' };
      (event.target as HTMLElement).blur();
    }
  }
</script>

<div class="flex flex-col gap-2" bind:this={field}>
  <label class="flex flex-col gap-1">
    <span class="font-semibold">{label}</span>
    <Textarea
      rows={2}
      maxlength={isWhole ? 2000 : 600}
      class="w-full"
      bind:value={() => words, (text) => write(text ?? '')}
      {onkeydown}
    />
  </label>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
    {#if isWhole}
      <button
        type="button"
        class="underline underline-offset-2 disabled:text-ink-soft disabled:no-underline"
        disabled={marked === undefined}
        onclick={() => {
          target = { kind: 'step', step: marked! };
          focus();
        }}>{say.atMarked}</button
      >
      <button
        type="button"
        class="underline underline-offset-2"
        onclick={() => {
          target = { kind: 'place', at: place };
          focus();
        }}>{say.atAPlace}</button
      >
    {:else}
      <Button
        size="xs"
        disabled={words.trim() === '' || (target.kind === 'place' && !target.at)}
        onclick={add}>{say.add}</Button
      >
      <button type="button" class="underline underline-offset-2" onclick={() => (target = { kind: 'whole' })}
        >{say.cancel}</button
      >
    {/if}
    {#if words.trim() !== '' && !kept.some((each) => each.words === words.trim())}
      <button type="button" class="underline underline-offset-2" onclick={() => onkeep(words)}
        >{say.keep}</button
      >
    {/if}
  </div>
  {#if kept.length > 0}
    <details class="text-sm">
      <summary class="text-ink-soft">{say.keptRemarks(kept.length)}</summary>
      <ul class="mt-1 max-h-28 overflow-y-auto">
        {#each kept as each (each.id)}
          <li class="border-hairline flex items-start gap-2 border-t py-1">
            <button
              type="button"
              class="hover:text-primary-800 flex-1 text-left"
              onclick={() => {
                write(words.trim() === '' ? each.words : `${words.trim()} ${each.words}`);
                focus();
              }}>{each.words}</button
            >
            <button
              type="button"
              class="text-ink-soft hover:text-fail"
              aria-label={say.forget(each.words)}
              onclick={() => onforget(each.id)}>×</button
            >
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</div>
