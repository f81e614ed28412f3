<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import type { Recipe } from '@kelbrin/core/recipe';
  import TaskText from '$lib/task/TaskText.svelte';
  import { reviewTexts as say } from '$lib/texts/review';
  import RemarkList from './RemarkList.svelte';

  /** What a hand-in is to be read with: what the student says, what was changed since the one before, and the brief. */
  interface Props {
    note: string;
    /** The last hand-in of another part of the project. */
    other?: { readonly number: number; readonly part: string };
    before?: {
      readonly number: number;
      readonly recipe: Recipe;
      readonly comment: string | null;
      readonly remarks: ComponentProps<typeof RemarkList>['remarks'];
    };
    changes?: readonly { readonly words: string }[];
    task: ComponentProps<typeof TaskText>['task'];
    onmark(stepId: string): void;
  }
  let { note, other, before, changes, task, onmark }: Props = $props();
</script>

<div class="border-hairline mt-auto flex flex-col gap-3 border-t p-4 text-sm">
  {#if note !== ''}
    <div>
      <h2 class="mb-0.5 text-base">{say.note}</h2>
      <p class="border-primary-300 bg-primary-50 border-l-4 px-2 py-1">{note}</p>
    </div>
  {/if}
  {#if other}<p class="text-ink-soft">{say.otherPart(other.number, other.part)}</p>{/if}
  {#if before && changes}
    <div>
      <h2 class="mb-0.5 text-base">{say.changes(before.number)}</h2>
      {#if changes.length === 0}<p class="text-ink-soft">{say.noChanges(before.number)}</p>{/if}
      <ul class="list-disc pl-5" aria-label={say.changes(before.number)}>
        {#each changes as { words } (words)}<li>{words}</li>{/each}
      </ul>
      {#if before.comment || before.remarks.length > 0}
        <h3 class="mt-2 font-semibold">{say.saidThen}</h3>
        {#if before.comment}<p class="text-ink-soft">{before.comment}</p>{/if}
        <RemarkList remarks={before.remarks} recipe={before.recipe} {onmark} />
      {/if}
    </div>
  {/if}
  <div>
    <h2 class="mb-0.5 text-base">{say.brief}</h2>
    <div class="text-ink-soft beside-part"><TaskText {task} /></div>
  </div>
</div>
