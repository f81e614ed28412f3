<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { SHORTEST_PASSWORD } from '$lib/shared/firstTeacherDraft';
  import { beginTexts as say } from '$lib/texts/begin';

  let { form } = $props();
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="m-auto w-full max-w-md p-6">
  <header class="mb-6">
    <img src="/icon.svg" alt="" class="mb-3 h-10 w-10" />
    <h1 class="text-3xl">Kelbrin</h1>
    <p class="text-ink-soft">{say.what}</p>
  </header>
  <form
    method="POST"
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
    class="sheet flex flex-col gap-4 p-6"
  >
    {#if form?.message}<p role="alert" class="text-fail">{form.message}</p>{/if}
    <Label
      >{say.code}
      <Input name="code" autocomplete="off" class="measured mt-1" required />
      <span class="text-ink-soft text-sm font-normal">{say.codeWhy}</span></Label
    >
    <Label>{say.name} <Input name="name" autocomplete="name" class="mt-1" required /></Label>
    <Label
      >{say.email} <Input name="email" type="email" autocomplete="username" class="mt-1" required /></Label
    >
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
    <Button type="submit">{say.begin}</Button>
  </form>
</main>
