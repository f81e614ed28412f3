<script lang="ts">
  import type { TaskBlock, TaskInline, TaskItem, TaskText } from '$lib/shared/taskText';

  let { task }: { task: TaskText } = $props();

  function styleOf(piece: Extract<TaskInline, { type: 'text' }>): string {
    const has = (type: string) => piece.marks?.some((mark) => mark.type === type);
    return [has('bold') ? 'font-semibold' : '', has('italic') ? 'italic' : ''].join(' ').trim();
  }

  const linkOf = (piece: Extract<TaskInline, { type: 'text' }>) =>
    piece.marks?.find((mark) => mark.type === 'link')?.attrs.href;
</script>

<!-- No space between the pieces: a word may be half bold. -->
{#snippet words(
  inline: readonly TaskInline[] = [],
)}{#each inline as piece, i (i)}{#if piece.type === 'hardBreak'}<br />{:else if linkOf(piece)}<a
        class={styleOf(piece)}
        href={linkOf(piece)}
        rel="noreferrer noopener nofollow"
        target="_blank">{piece.text}</a
      >{:else}<span class={styleOf(piece)}>{piece.text}</span>{/if}{/each}{/snippet}

{#snippet blocks(nodes: readonly (TaskBlock | TaskItem)[])}
  {#each nodes as node, i (i)}
    {#if node.type === 'paragraph'}
      <p>{@render words(node.content)}</p>
    {:else if node.type === 'heading'}
      <h3>{@render words(node.content)}</h3>
    {:else if node.type === 'image'}
      <img src={node.attrs.src} alt={node.attrs.alt ?? ''} loading="lazy" />
    {:else if node.type === 'bulletList'}
      <ul>{@render blocks(node.content)}</ul>
    {:else if node.type === 'orderedList'}
      <ol>{@render blocks(node.content)}</ol>
    {:else}
      <li>{@render blocks(node.content)}</li>
    {/if}
  {/each}
{/snippet}

<div class="task-text">{@render blocks(task.content)}</div>
