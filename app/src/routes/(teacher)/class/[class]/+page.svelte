<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button } from 'flowbite-svelte';
  import { fileName } from '@kelbrin/core/format';
  import { classPage as say } from '$lib/texts/classPage';
  import { figuresTexts } from '$lib/texts/figures';
  import { galleryTexts } from '$lib/texts/gallery';
  import { limitsTexts as limits } from '$lib/texts/limits';
  import { logTexts } from '$lib/texts/log';
  import { follow } from '$lib/live/follow.svelte';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';
  import { longDay } from '$lib/ui/times';

  let { data, form } = $props();
  const { group } = $derived(data);

  follow(() => [`class:${group.id}`]);

  const exampleName = (pattern: string) => fileName(pattern, { ...say.exampleOfFile, n: 3 });
</script>

<svelte:head><title>{group.name} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  <div class="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <a href="/class" class="text-primary-800 underline underline-offset-2">{say.title}</a>
    <h1>{group.name}</h1>
    <span class="text-ink-soft">{say.code} <span class="measured text-ink">{group.code}</span></span>
    <form method="POST" action="?/brief" class="ml-auto" use:enhance>
      <Button type="submit" size="sm" color="alternative">{say.newBrief}</Button>
    </form>
    <a class="text-primary-800 underline underline-offset-2" href="/class/{group.id}/people">{say.people}</a>
    <a class="text-primary-800 underline underline-offset-2" href="/class/{group.id}/figures"
      >{figuresTexts.title}</a
    >
    <a class="text-primary-800 underline underline-offset-2" href="/gallery/{group.id}"
      >{galleryTexts.title}</a
    >
    <a class="text-primary-800 underline underline-offset-2" href="/class/{group.id}/log">{logTexts.title}</a>
    <a class="text-primary-800 underline underline-offset-2" href="/class/{group.id}/export" download
      >{say.download}</a
    >
  </div>
  {#each group.briefs as brief (brief.id)}
    <section class="mb-6" aria-label={brief.title}>
      <!-- As high as its button, which comes and goes; likewise its cards are as high in each state of what they show.
           What stands below stays under the pointer while hand-ins are inspected again. -->
      <div class="mb-3 flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1">
        <h2>{brief.title}</h2>
        <a class="text-primary-800 underline underline-offset-2" href="/lesson/{brief.id}">{say.lesson}</a>
        <a class="text-primary-800 underline underline-offset-2" href="/brief/{brief.id}">{say.edit}</a>
        <a class="text-primary-800 underline underline-offset-2" href="/brief/{brief.id}/teams">{say.teams}</a
        >
        {#if brief.dueOn}<span class="text-ink-soft">{say.due(longDay(brief.dueOn))}</span>{/if}
        {#if brief.counts.toReview > 0}
          <Button href="/review" size="sm" class="ml-auto">{say.review(brief.counts.toReview)}</Button>
        {/if}
      </div>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-3">
        {#each brief.students as { id, name, project } (id)}
          <li class="sheet flex flex-col gap-2 p-3">
            <div
              class="border-hairline flex h-[110px] items-center justify-center overflow-hidden rounded border"
            >
              {#if project}
                <img
                  src="/picture/project/{project.id}?r={project.revision}"
                  alt={say.partOf(name)}
                  width="176"
                  height="110"
                  loading="lazy"
                />
              {:else}
                <span class="text-ink-soft text-sm">{say.notBegun}</span>
              {/if}
            </div>
            <div class="flex items-center justify-between gap-2">
              <span>
                <strong>{name}</strong>
                {#if project && project.withNames.length > 0}
                  <span class="text-ink-soft text-sm">{say.with(project.withNames)}</span>
                {/if}
              </span>
              {#if project?.verdict}<VerdictChip verdict={project.verdict} />{/if}
            </div>
            {#if project}
              <div class="flex items-center justify-between gap-2">
                <StateChip state={project.state} />
                {#if project.state === 'waiting'}
                  <a
                    class="text-primary-800 truncate underline underline-offset-2"
                    href="/review/{project.handInId}"
                    aria-label={say.lookAt(name)}>{say.look}</a
                  >
                {/if}
              </div>
            {/if}
          </li>
        {/each}
      </ul>
    </section>
  {:else}
    <p class="text-ink-soft mb-6">{say.noBrief}</p>
  {/each}
  <form method="POST" action="?/card" class="sheet mb-3 flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label class="min-w-80 flex-1">
      {limits.ofClass}
      <KeptSelect
        name="card"
        class="mt-1"
        items={data.cards.map(({ id, name }) => ({ value: id, name }))}
        kept={group.limitsCardId}
      />
    </label>
    <Button type="submit" color="alternative">{limits.choose}</Button>
    <a class="text-primary-800 mb-2 underline underline-offset-2" href="/limits">{limits.title}</a>
  </form>
  <form method="POST" action="?/filePattern" class="sheet flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label class="min-w-80 flex-1">
      {say.filePattern}
      <KeptInput name="pattern" class="measured mt-1" kept={group.filePattern} maxlength={80} />
    </label>
    <Button type="submit" color="alternative">{say.save}</Button>
    <p class="text-ink-soft w-full text-sm">
      {say.forExample} <span class="measured">{exampleName(group.filePattern)}.3mf</span>
    </p>
  </form>
</main>
