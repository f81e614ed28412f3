<script lang="ts">
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import { frameTexts as say } from '$lib/texts/frame';

  /** What the framework says of an address that it does not know. */
  const UNKNOWN = 'Not Found';
  const words = $derived(
    page.error?.message === UNKNOWN ? say.noPage : (page.error?.message ?? say.wentWrong),
  );
</script>

<svelte:head><title>{page.status} · Kelbrin</title></svelte:head>

<main class="m-auto max-w-md p-8 text-center">
  <p class="measured text-ink-soft text-4xl">{page.status}</p>
  <h1 class="my-3">{words}</h1>
  <Button href="/" color="alternative">{say.toStart}</Button>
</main>
