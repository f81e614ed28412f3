<script lang="ts">
  import AddStudents from '$lib/people/AddStudents.svelte';
  import HelperList from '$lib/people/HelperList.svelte';
  import ShareList from '$lib/people/ShareList.svelte';
  import ShutDoor from '$lib/people/ShutDoor.svelte';
  import SignInCards from '$lib/people/SignInCards.svelte';
  import StudentTable from '$lib/people/StudentTable.svelte';
  import { people as say } from '$lib/texts/people';
  import { follow } from '$lib/live/follow.svelte';

  let { data, form } = $props();
  const { group } = $derived(data);

  follow(() => [`class:${group.id}`]);

  const taken = $derived(new Set(group.students.map(({ signInName }) => signInName)));
  // What is shown once stays, whatever else is done meanwhile.
  let cards = $state.raw<NonNullable<typeof form>['cards']>();
  let added = $state.raw<NonNullable<typeof form>['helper']>();
  $effect(() => {
    if (form?.cards) cards = form.cards;
    if (form?.helper) added = form.helper;
  });
</script>

<svelte:head><title>{say.title} · {group.name} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-5xl p-6 print:max-w-none print:p-0">
  <div class="mb-4 flex items-baseline gap-4 print:hidden">
    <a href="/class/{group.id}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.ofClass(group.name)}</h1>
    <span class="text-ink-soft">{say.classCode} <span class="measured text-ink">{group.code}</span></span>
  </div>
  {#if form?.message}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2 print:hidden">{form.message}</p>
  {/if}
  {#if cards}
    <SignInCards
      className={group.name}
      code={group.code}
      address={data.address}
      {cards}
      ondone={() => (cards = undefined)}
    />
  {/if}
  <div class="print:hidden">
    <ShutDoor shut={group.shut} />
    <StudentTable students={group.students} others={data.others} />
    <AddStudents {taken} />
    <HelperList helpers={group.helpers} {added} />
    <ShareList shares={group.shares} />
  </div>
</main>
