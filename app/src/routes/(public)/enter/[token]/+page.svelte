<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import { SHORTEST_PASSWORD } from '$lib/shared/firstTeacherDraft';
  import { staffTexts as say } from '$lib/texts/staff';

  let { data, form } = $props();
</script>

<svelte:head><title>{say.enterTitle} · Kelbrin</title></svelte:head>

<main class="m-auto w-full max-w-md p-6">
  <header class="mb-6">
    <img src="/icon.svg" alt="" class="mb-3 h-10 w-10" />
    <h1 class="text-3xl">Kelbrin</h1>
    <p class="text-ink-soft">
      {data.name === null ? say.enterAs(data.role, data.className) : say.enterReset(data.name)}
    </p>
  </header>
  <form
    method="POST"
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
    class="sheet flex flex-col gap-4 p-6"
  >
    {#if form?.message}<p role="alert" class="text-fail">{form.message}</p>{/if}
    {#if data.name === null}
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
    <Button type="submit">{say.enter}</Button>
  </form>
</main>
