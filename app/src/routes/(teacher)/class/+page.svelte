<script lang="ts">
  import { enhance } from '$app/forms';
  import { Button, Input, Select } from 'flowbite-svelte';
  import { fileName } from '@kelbrin/core/format';
  import { follow } from '$lib/ui/follow.svelte';
  import StateChip from '$lib/ui/StateChip.svelte';
  import { classPage as say } from '$lib/texts/classPage';
  import { limitsTexts as limits } from '$lib/texts/limits';
  import { logTexts } from '$lib/texts/log';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';

  let { data, form } = $props();

  follow(() => data.classes.map(({ id }) => `class:${id}`).slice(0, 10));

  type Student = (typeof data.classes)[number]['briefs'][number]['students'][number];
  const day = (iso: string) => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
  const exampleName = (pattern: string) =>
    fileName(pattern, { brief: 'Seed-tray labels', student: 'Asha', part: 'Label', n: 3 });
  const waiting = (students: Student[]) =>
    students.filter(({ project }) => project?.state === 'waiting').length;
</script>

<svelte:head><title>Class · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  {#each data.classes as { id, name, code, filePattern, limitsCardId, briefs } (id)}
    <div class="mb-4 flex items-baseline gap-4">
      <h1>{name}</h1>
      <span class="text-ink-soft">{say.code} <span class="measured text-ink">{code}</span></span>
      <form method="POST" action="?/brief" class="ml-auto" use:enhance>
        <input type="hidden" name="class" value={id} />
        <Button type="submit" size="sm" color="alternative">{say.newBrief}</Button>
      </form>
      <a class="text-primary-800 underline underline-offset-2" href="/class/{id}/people">{say.people}</a>
      <a class="text-primary-800 underline underline-offset-2" href="/class/{id}/log">{logTexts.title}</a>
    </div>
    {#each briefs as brief (brief.id)}
      {@const handedIn = waiting(brief.students)}
      <section class="mb-6">
        <div class="mb-3 flex items-center gap-4">
          <h2>{brief.title}</h2>
          <a class="text-primary-800 underline underline-offset-2" href="/lesson/{brief.id}">{say.lesson}</a>
          <a class="text-primary-800 underline underline-offset-2" href="/brief/{brief.id}">{say.edit}</a>
          {#if brief.dueOn}<span class="text-ink-soft">due {day(brief.dueOn)}</span>{/if}
          {#if handedIn > 0}
            <Button href="/review" size="sm" class="ml-auto"
              >Review {handedIn} hand-in{handedIn === 1 ? '' : 's'}</Button
            >
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
                    alt="{name}’s part"
                    width="176"
                    height="110"
                    loading="lazy"
                  />
                {:else}
                  <span class="text-ink-soft text-sm">not begun</span>
                {/if}
              </div>
              <div class="flex items-center justify-between gap-2">
                <strong>{name}</strong>
                {#if project?.verdict}<VerdictChip verdict={project.verdict} />{/if}
              </div>
              {#if project}
                <div class="flex items-center justify-between gap-2">
                  <StateChip state={project.state} />
                  {#if project.state === 'waiting'}
                    <a class="text-primary-800 underline underline-offset-2" href="/review/{project.handInId}"
                      >look</a
                    >
                  {/if}
                </div>
              {/if}
            </li>
          {/each}
        </ul>
      </section>
    {/each}
    <form method="POST" action="?/card" class="sheet mb-3 flex flex-wrap items-end gap-3 p-4" use:enhance>
      <input type="hidden" name="class" value={id} />
      <label class="min-w-80 flex-1">
        {limits.ofClass}
        <Select
          name="card"
          class="mt-1"
          items={data.cards.map(({ id, name }) => ({ value: id, name }))}
          value={limitsCardId}
        />
      </label>
      <Button type="submit" color="alternative">{limits.choose}</Button>
      <a class="text-primary-800 mb-2 underline underline-offset-2" href="/limits">{limits.title}</a>
    </form>
    <form method="POST" action="?/filePattern" class="sheet flex flex-wrap items-end gap-3 p-4" use:enhance>
      <input type="hidden" name="class" value={id} />
      <label class="min-w-80 flex-1">
        How the files of this class are called
        <Input name="pattern" class="measured mt-1" value={filePattern} maxlength={80} />
      </label>
      <Button type="submit" color="alternative">Save</Button>
      <p class="text-ink-soft w-full text-sm">
        For example <span class="measured">{exampleName(filePattern)}.3mf</span>
      </p>
    </form>
  {:else}
    <p class="text-ink-soft mb-4">{say.none}</p>
  {/each}
  <form method="POST" action="?/create" class="sheet mt-6 flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label class="min-w-80 flex-1">
      {say.newClass}
      <Input name="name" class="mt-1" placeholder={say.newClassExample} maxlength={60} required />
    </label>
    <Button type="submit" color="alternative">{say.create}</Button>
  </form>
</main>
