<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button, type ButtonProps } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { askTexts as say } from '$lib/texts/ask';

  /** A button for what cannot simply be taken back: it says what will happen, and does it when that is confirmed. */
  interface Props {
    /** What the button says, and the one that confirms it. */
    label: string;
    title: string;
    what: string;
    /** Where the form is sent, with these fields. */
    action: string;
    fields?: Readonly<Record<string, string>>;
    disabled?: boolean;
    size?: ButtonProps['size'];
    class?: string;
    name?: string;
    children?: Snippet;
  }
  let {
    label,
    title,
    what,
    action,
    fields = {},
    disabled,
    size = 'xs',
    class: className,
    name,
    children,
  }: Props = $props();

  let isAsking = $state(false);
</script>

<Button
  type="button"
  {size}
  color="alternative"
  class={className}
  {disabled}
  aria-label={name}
  onclick={() => (isAsking = true)}>{label}</Button
>
{#if isAsking}
  <Dialog {title} size="sm" onclose={() => (isAsking = false)}>
    <p>{what}</p>
    {@render children?.()}
    <form
      method="POST"
      {action}
      class="flex justify-end gap-2"
      use:enhance={() =>
        async ({ update }) => {
          isAsking = false;
          await update();
        }}
    >
      {#each Object.entries(fields) as [key, value] (key)}<input type="hidden" name={key} {value} />{/each}
      <Button type="button" color="alternative" autofocus onclick={() => (isAsking = false)}>{say.no}</Button>
      <Button type="submit" class="bg-fail hover:bg-fail focus-within:ring-fail text-white hover:opacity-90"
        >{label}</Button
      >
    </form>
  </Dialog>
{/if}
