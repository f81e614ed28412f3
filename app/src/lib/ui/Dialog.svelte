<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Modal, type ModalProps } from 'flowbite-svelte';

  /**
   * A dialog over the page, named by its title. It ends with the press that ends it: the browser's own word that a
   * dialog has closed comes a moment later, when the next one may already be open, and must not shut that one.
   */
  interface Props {
    title: string;
    size?: ModalProps['size'];
    open?: boolean;
    /** Called when somebody leaves it, instead of setting `open`. */
    onclose?: () => void;
    /** Whether it stays until one of its buttons is pressed. */
    mustAnswer?: boolean;
    /** Whether a press beside it leaves it. */
    outsideclose?: boolean;
    children: Snippet;
    /** The row of buttons that stays in sight below what scrolls. */
    footer?: Snippet;
  }
  let {
    title,
    size = 'md',
    open = $bindable(true),
    onclose,
    mustAnswer = false,
    outsideclose = true,
    children,
    footer,
  }: Props = $props();

  function leave() {
    if (onclose) onclose();
    else open = false;
  }
  function cancelled(event: Event & { currentTarget: HTMLDialogElement }) {
    if (event.target !== event.currentTarget) return;
    event.preventDefault();
    if (!mustAnswer) leave();
  }
  /** A browser closes a dialog by itself when Escape is pressed a second time without anything between. */
  function closed(event: Event & { currentTarget: HTMLDialogElement }) {
    if (event.target === event.currentTarget && event.currentTarget.isConnected) leave();
  }
  function keepFromEscape(event: KeyboardEvent) {
    if (mustAnswer && event.key === 'Escape') event.preventDefault();
  }
</script>

{#if open}
  <Modal
    open
    {title}
    aria-label={title}
    {size}
    {outsideclose}
    permanent={mustAnswer}
    oncancel={cancelled}
    onclose={closed}
    onkeydown={keepFromEscape}
    {footer}>{@render children()}</Modal
  >
{/if}
