<script lang="ts">
  import { Input, Label } from 'flowbite-svelte';
  import NewcomerCard from '$lib/people/NewcomerCard.svelte';
  import { beginTexts as say } from '$lib/texts/begin';

  let { form } = $props();
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<NewcomerCard what={say.what} problem={form?.message} button={say.begin}>
  <Label
    >{say.code}
    <Input name="code" autocomplete="off" class="measured mt-1" required />
    <span class="text-ink-soft text-sm font-normal">{say.codeWhy}</span></Label
  >
</NewcomerCard>
