<script lang="ts">
  import NewcomerCard from '$lib/people/NewcomerCard.svelte';
  import { staffTexts as say } from '$lib/texts/staff';

  let { data, form } = $props();
</script>

<svelte:head><title>{say.enterTitle} · Kelbrin</title></svelte:head>

<NewcomerCard
  what={data.name === null ? say.enterAs(data.role, data.className) : say.enterReset(data.name)}
  problem={form?.message}
  isKnown={data.name !== null}
  button={say.enter}
/>
