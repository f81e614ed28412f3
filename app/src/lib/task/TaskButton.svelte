<script lang="ts">
  import NotebookText from '@lucide/svelte/icons/notebook-text';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { TaskText as Task } from '$lib/shared/taskText';
  import { taskTexts as say } from '$lib/texts/task';
  import TaskText from './TaskText.svelte';

  let { title, task }: { title: string; task: Task } = $props();

  let isOpen = $state(false);
</script>

{#if task.content.length > 0}
  <button
    type="button"
    class="border-hairline hover:bg-ground flex items-center gap-1.5 rounded border px-2 py-1 text-sm"
    onclick={() => (isOpen = true)}
  >
    <NotebookText size={16} aria-hidden="true" /><span class="max-sm:sr-only">{say.read}</span>
  </button>
  <Dialog bind:open={isOpen} {title}><TaskText {task} /></Dialog>
{/if}
