<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import Hand from '@lucide/svelte/icons/hand';
  import { Button, Input } from 'flowbite-svelte';
  import { needOf } from '$lib/lesson/needs';
  import { classPage as say } from '$lib/texts/classPage';
  import { libraryTexts } from '$lib/texts/library';
  import { limitsTexts } from '$lib/texts/limits';
  import { spoolTexts } from '$lib/texts/spools';
  import { staffTexts } from '$lib/texts/staff';
  import { logTexts } from '$lib/texts/log';
  import { runsLow } from '$lib/shared/spool';
  import { clock } from '$lib/ui/clock.svelte';
  import { follow } from '$lib/live/follow.svelte';
  import { shortDay } from '$lib/ui/times';

  let { data, form } = $props();

  follow(() => ['printroom', 'printers', ...data.classes.map(({ id }) => `class:${id}`)]);

  const time = clock();
  const needy = $derived(
    data.learners
      .map((learner) => ({ ...learner, need: needOf(learner, time.nowMs) }))
      .filter(({ need }) => need.kind === 'asks' || need.kind === 'stuck')
      .sort((a, b) => a.need.rank - b.need.rank),
  );
  const waiting = $derived(
    data.classes.reduce(
      (sum, { briefs }) => sum + briefs.reduce((inClass, brief) => inClass + brief.toReview, 0),
      0,
    ),
  );
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  <div class="mb-6 grid grid-cols-1 gap-4 md:grid-cols-3">
    <section class="sheet p-4" aria-label={say.toReview}>
      <h2 class="mb-1">{say.toReview}</h2>
      {#if waiting > 0}
        <p class="mb-3">{say.waits(waiting)}</p>
        <Button href="/review" size="sm">{say.review(waiting)}</Button>
      {:else}<p class="text-ink-soft">{say.nothingWaits}</p>{/if}
    </section>
    <section class="sheet p-4" aria-label={say.needHelp}>
      <h2 class="mb-1">{say.needHelp}</h2>
      <ul>
        {#each needy.slice(0, 5) as { projectId, briefId, student, need } (projectId)}
          <li class="flex items-center gap-2 leading-7">
            {#if need.kind === 'asks'}<Hand size={16} class="text-warn-ink" aria-hidden="true" />{/if}
            <a
              class="text-primary-800 font-semibold underline underline-offset-2"
              href="/lesson/{briefId}/{projectId}">{student}</a
            >
            <span class="text-ink-soft truncate text-sm">{need.words}</span>
          </li>
        {:else}
          <li class="text-ink-soft">{say.nobodyNeeds}</li>
        {/each}
      </ul>
    </section>
    <section class="sheet p-4" aria-label={say.printing}>
      <h2 class="mb-1">{say.printing}</h2>
      <ul>
        {#each data.printers as { id, name, isOnline, run, places } (id)}
          <li class="flex gap-2 leading-7">
            <strong>{name}</strong>
            <span class={isOnline ? 'text-ink-soft' : 'text-fail'}
              >{!isOnline ? say.offline : run ? say.prints(run.students, run.secondsLeft) : say.free}</span
            >
          </li>
          {#if places.every((spool) => spool === null)}
            <li class="text-warn-ink leading-7">
              <a class="underline underline-offset-2" href="/spools">{spoolTexts.noneOn(name)}</a>
            </li>
          {/if}
          {#each places.filter((spool) => spool !== null && runsLow(spool)) as spool (spool!.id)}
            <li class="text-warn-ink leading-7">
              <a class="underline underline-offset-2" href="/spools"
                >{spoolTexts.low(name, spool!.gramsLeft, spool!.colourName)}</a
              >
            </li>
          {/each}
        {/each}
      </ul>
      <p class="mt-1">
        {#if data.printers.length > 0}
          <a class="text-primary-800 underline underline-offset-2" href="/queue">{say.queued(data.queued)}</a>
        {:else}
          <a class="text-primary-800 underline underline-offset-2" href="/printers">{say.noPrinter}</a>
        {/if}
      </p>
    </section>
  </div>

  <div class="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <h1>{say.title}</h1>
    <a class="text-primary-800 ml-auto underline underline-offset-2" href="/library">{libraryTexts.title}</a>
    <a class="text-primary-800 underline underline-offset-2" href="/limits">{limitsTexts.title}</a>
    <a class="text-primary-800 underline underline-offset-2" href="/staff">{staffTexts.title}</a>
    <a class="text-primary-800 underline underline-offset-2" href="/log">{logTexts.schoolTitle}</a>
  </div>
  <ul class="flex flex-col gap-3">
    {#each data.classes as { id, name, code, students, briefs, isShut } (id)}
      <li class="sheet p-4">
        <div class="flex flex-wrap items-baseline gap-x-4">
          <h2>
            <a class="text-primary-800 underline underline-offset-2" href="/class/{id}">{name}</a>
          </h2>
          <span class="text-ink-soft text-sm"
            >{say.students(students)}, {say.code} <span class="measured text-ink">{code}</span></span
          >
          {#if isShut}<a
              class="text-warn-ink font-semibold underline underline-offset-2"
              href="/class/{id}/people">{say.isShut}</a
            >{/if}
          <a class="text-primary-800 ml-auto underline underline-offset-2" href="/class/{id}/people"
            >{say.people}</a
          >
          <a class="text-primary-800 underline underline-offset-2" href="/class/{id}/log">{logTexts.title}</a>
        </div>
        <ul class="mt-2">
          {#each briefs as brief (brief.id)}
            <li class="border-hairline flex flex-wrap items-baseline gap-x-4 border-t py-1.5">
              <span class="min-w-48 flex-1 truncate">
                <strong>{brief.title}</strong>
                {#if brief.dueOn}<span class="text-ink-soft">{say.due(shortDay(brief.dueOn))}</span>{/if}
              </span>
              <span class="text-ink-soft text-sm"
                >{say.figures(brief.begun, students, brief.toReview, brief.approved)}</span
              >
              <a class="text-primary-800 underline underline-offset-2" href="/lesson/{brief.id}"
                >{say.lesson}</a
              >
              <a class="text-primary-800 underline underline-offset-2" href="/brief/{brief.id}">{say.edit}</a>
            </li>
          {:else}
            <li class="text-ink-soft">{say.noBrief}</li>
          {/each}
        </ul>
      </li>
    {:else}
      <li class="text-ink-soft">{say.none}</li>
    {/each}
  </ul>
  <form method="POST" action="?/create" class="sheet mt-6 flex flex-wrap items-end gap-3 p-4" use:enhance>
    <label class="min-w-80 flex-1">
      {say.newClass}
      <Input name="name" class="mt-1" placeholder={say.newClassExample} maxlength={60} required />
    </label>
    <Button type="submit" color="alternative">{say.create}</Button>
  </form>
</main>
