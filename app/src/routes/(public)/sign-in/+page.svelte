<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { signInTexts as say } from '$lib/texts/signIn';

  let { form } = $props();
</script>

<svelte:head><title>{say.signIn} · Kelbrin</title></svelte:head>

<main class="m-auto grid w-full max-w-4xl gap-6 p-6 md:grid-cols-2">
  <header class="md:col-span-2">
    <img src="/icon.svg" alt="" class="mb-3 h-10 w-10" />
    <h1 class="text-3xl">Kelbrin</h1>
    <p class="text-ink-soft">{say.what}</p>
  </header>

  <form method="POST" action="?/student" use:enhance class="sheet flex flex-col gap-4 p-6">
    <h2>{say.students}</h2>
    <Label>
      {say.classCode}
      <Input name="code" autocomplete="off" autocapitalize="characters" class="mt-1" required />
    </Label>
    <Label>{say.name} <Input name="name" autocomplete="username" class="mt-1" required /></Label>
    <Label>
      {say.pin}
      <Input
        name="pin"
        type="password"
        inputmode="numeric"
        autocomplete="current-password"
        class="mt-1"
        required
      />
    </Label>
    {#if form?.who === 'student'}<p role="alert" class="text-fail">{form.message}</p>{/if}
    <Button type="submit" class="mt-auto">{say.signIn}</Button>
  </form>

  <form method="POST" action="?/staff" use:enhance class="sheet flex flex-col gap-4 p-6">
    <h2>{say.staff}</h2>
    <Label
      >{say.email} <Input name="email" type="email" autocomplete="username" class="mt-1" required /></Label
    >
    <Label>
      {say.password}
      <Input name="password" type="password" autocomplete="current-password" class="mt-1" required />
    </Label>
    {#if form?.who === 'staff'}<p role="alert" class="text-fail">{form.message}</p>{/if}
    <Button type="submit" color="alternative" class="mt-auto">{say.signIn}</Button>
  </form>
</main>
