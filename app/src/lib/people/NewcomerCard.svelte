<script lang="ts">
  import type { Snippet } from 'svelte';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import { SHORTEST_PASSWORD } from '$lib/shared/firstTeacherDraft';
  import { beginTexts as say } from '$lib/texts/begin';

  /** The page of somebody who signs in for the first time, or with a new password. */
  interface Props {
    what: string;
    /** What is wrong with what was sent. */
    problem?: string;
    /** Whether only a password is asked for. */
    isKnown?: boolean;
    button: string;
    /** What is asked before the rest. */
    children?: Snippet;
  }
  let { what, problem, isKnown = false, button, children }: Props = $props();
</script>

<main class="m-auto w-full max-w-md p-6">
  <header class="mb-6">
    <img src="/icon.svg" alt="" class="mb-3 h-10 w-10" />
    <h1 class="text-3xl">Kelbrin</h1>
    <p class="text-ink-soft">{what}</p>
  </header>
  <form
    method="POST"
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
    class="sheet flex flex-col gap-4 p-6"
  >
    {#if problem}<p role="alert" class="text-fail">{problem}</p>{/if}
    {@render children?.()}
    {#if !isKnown}
      <Label>{say.name} <Input name="name" autocomplete="name" class="mt-1" required /></Label>
      <Label
        >{say.email} <Input name="email" type="email" autocomplete="username" class="mt-1" required /></Label
      >
    {/if}
    <Label
      >{say.password}
      <Input
        name="password"
        type="password"
        autocomplete="new-password"
        minlength={SHORTEST_PASSWORD}
        class="mt-1"
        required
      />
      <span class="text-ink-soft text-sm font-normal">{say.passwordWhy(SHORTEST_PASSWORD)}</span></Label
    >
    <Button type="submit">{button}</Button>
  </form>
</main>
