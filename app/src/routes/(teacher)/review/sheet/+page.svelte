<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import { reviewTexts as say } from '$lib/texts/review';
  import { follow } from '$lib/live/follow.svelte';

  let { data, form } = $props();

  follow(() => data.classIds.map((id) => `class:${id}`));

  /** Those that were taken out of what is approved. */
  let left = $state.raw<readonly string[]>([]);
  const chosen = $derived(data.handIns.filter(({ id }) => !left.includes(id)));
  const toggle = (id: string) =>
    (left = left.includes(id) ? left.filter((each) => each !== id) : [...left, id]);
</script>

<svelte:head><title>{say.sheet} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/review" class="text-primary-800 underline underline-offset-2">{say.title}</a>
    <h1>{say.sheet}</h1>
  </div>
  <p class="text-ink-soft mb-4">{data.handIns.length > 0 ? say.sheetWhat : say.sheetEmpty}</p>
  {#if form}
    <div role="status" class="mb-4">
      {#if form.approved > 0}<p class="border-pass bg-pass-wash border-l-4 px-3 py-2">
          {say.approvedAll(form.approved)}
        </p>{/if}
      {#each form.refused as words (words)}
        <p class="border-fail bg-fail-wash mt-1 border-l-4 px-3 py-2">{words}</p>
      {/each}
    </div>
  {/if}
  {#if data.handIns.length > 0}
    <form method="POST" action="?/approve" use:enhance>
      <ul class="mb-5 grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-3">
        {#each data.handIns as { id, solidHash, student, brief } (id)}
          {@const isIn = !left.includes(id)}
          <li class="sheet flex flex-col gap-2 p-3 {isIn ? '' : 'opacity-60'}">
            <a href="/review/{id}" aria-label={say.look(student)}>
              <img
                src="/picture/hand-in/{id}"
                alt=""
                width="240"
                height="150"
                class="border-hairline w-full rounded border"
              />
            </a>
            <label class="flex items-center gap-2">
              <input
                type="checkbox"
                name="chosen"
                class="text-primary-700 rounded-sm"
                value="{id} {solidHash}"
                checked={isIn}
                aria-label={say.include(student)}
                onchange={() => toggle(id)}
              />
              <strong>{student}</strong>
              <span class="text-ink-soft truncate text-sm">{brief}</span>
            </label>
          </li>
        {/each}
      </ul>
      <Button type="submit" disabled={chosen.length === 0}>{say.approveAll(chosen.length)}</Button>
    </form>
  {/if}
</main>
