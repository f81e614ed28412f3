<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button, Dropdown, type ButtonProps } from 'flowbite-svelte';

  /** A small button that opens a list to choose from; the list is made when it is opened. */
  interface Props {
    words: string;
    /** What it opens, in full, for whoever hears it. */
    label: string;
    color?: ButtonProps['color'];
    /** Classes of the list. */
    class?: string;
    isOpen?: boolean;
    children: Snippet;
  }
  let {
    words,
    label,
    color = 'primary',
    class: className = 'w-72',
    isOpen = $bindable(false),
    children,
  }: Props = $props();
</script>

<Button size="xs" {color} aria-label={label} aria-haspopup="true">{words}</Button>
<Dropdown simple bind:isOpen class="border-hairline border p-1 {className}" aria-label={label}>
  {#if isOpen}{@render children()}{/if}
</Dropdown>
