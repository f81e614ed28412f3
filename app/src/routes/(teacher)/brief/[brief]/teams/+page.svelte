<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import UserMinus from '@lucide/svelte/icons/user-minus';
  import { Button } from 'flowbite-svelte';
  import { teamTexts as say } from '$lib/texts/teams';

  let { data, form } = $props();

  let chosen = $state<string[]>([]);
</script>

<svelte:head><title>{say.title} · {data.brief.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/class/{data.brief.classId}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title}</h1>
    <span class="text-ink-soft">{say.of(data.brief.title, data.className)}</span>
  </div>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  <form
    id="make"
    method="POST"
    action="?/make"
    use:enhance={() =>
      async ({ result, update }) => {
        await update();
        if (result.type === 'success') chosen = [];
      }}
  ></form>
  <ul class="mb-6 flex flex-col gap-3">
    {#each data.teams as team (team.projectId)}
      <li class="sheet flex flex-wrap items-center gap-3 p-4" aria-label={team.names}>
        <img src="/picture/project/{team.projectId}?row" alt="" width="96" height="60" />
        <ul class="flex flex-1 flex-wrap gap-2">
          {#each team.students as { id, name } (id)}
            <li class="border-hairline flex items-center gap-1 rounded border py-0.5 pr-0.5 pl-2">
              {name}
              <form method="POST" action="?/leave" use:enhance>
                <input type="hidden" name="student" value={id} />
                <button
                  class="hover:bg-ground rounded p-1"
                  aria-label={say.takeOut(name)}
                  title="{say.takeOut(name)}: {say.takeOutWhat}"><UserMinus size={16} /></button
                >
              </form>
            </li>
          {/each}
        </ul>
        {#if chosen.length > 0}
          <!-- Whoever is of the team already stands for all of it. -->
          <Button
            type="submit"
            form="make"
            name="student"
            value={team.students[0].id}
            size="sm"
            color="alternative">{say.add(team.names)}</Button
          >
        {/if}
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
  <section class="sheet p-4" aria-label={say.alone}>
    <h2 class="mb-2">{say.alone}</h2>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(180px,1fr))] gap-x-4 gap-y-2">
      {#each data.alone as { id, name, hasBegun } (id)}
        <li>
          <label class="flex items-center gap-2">
            <input
              type="checkbox"
              class="text-primary-700 h-4 w-4 rounded-sm"
              form="make"
              name="student"
              value={id}
              bind:group={chosen}
            />
            {name}
            {#if hasBegun}<span class="text-ink-soft text-sm">{say.hasBegun}</span>{/if}
          </label>
        </li>
      {:else}
        <li class="text-ink-soft">{say.nobodyAlone}</li>
      {/each}
    </ul>
    <Button type="submit" form="make" class="mt-4" disabled={chosen.length < 2}>{say.make}</Button>
  </section>
</main>
