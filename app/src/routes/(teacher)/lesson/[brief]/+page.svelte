<script lang="ts">
  import Hand from '@lucide/svelte/icons/hand';
  import { flip } from 'svelte/animate';
  import { enhance } from '$lib/ui/enhance';
  import { checkTitle } from '@kelbrin/core/inspect';
  import { minutesSince, needOf } from '$lib/lesson/needs';
  import { lessonTexts as say } from '$lib/texts/lesson';
  import { follow } from '$lib/live/follow.svelte';
  import { clock } from '$lib/ui/clock.svelte';
  import VerdictChip from '$lib/ui/VerdictChip.svelte';

  let { data } = $props();

  follow(() => [`class:${data.brief.classId}`]);

  const time = clock();
  const prompts = $derived(data.brief.guidance);
  const rows = $derived(
    data.learners
      .map((learner) => ({ ...learner, need: needOf(learner.project, time.nowMs) }))
      .sort((a, b) => a.need.rank - b.need.rank || a.name.localeCompare(b.name)),
  );
  const counts = $derived(
    (['asks', 'fail', 'notBegun', 'toReview'] as const).flatMap((kind) => {
      const count =
        kind === 'toReview'
          ? data.toReview
          : rows.filter(({ need, project }) =>
              kind === 'fail' ? project?.report?.verdict === 'fail' : need.kind === kind,
            ).length;
      return count > 0 ? [{ kind, words: say.summary[kind](count) }] : [];
    }),
  );
  const isCalm = matchMedia('(prefers-reduced-motion: reduce)').matches;

  const tones: Partial<Record<ReturnType<typeof needOf>['kind'], string>> = {
    asks: 'text-warn-ink font-semibold',
    stuck: 'text-fail font-semibold',
    done: 'text-ink-soft',
  };
</script>

<svelte:head><title>{say.title(data.brief.title)} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-6xl p-6">
  <div class="mb-1 flex items-baseline gap-4">
    <a href="/class/{data.brief.classId}" class="text-primary-800 underline underline-offset-2">{say.back}</a>
    <h1>{say.title(data.brief.title)}</h1>
    <span class="text-ink-soft">{data.className}</span>
  </div>
  <p class="mb-4 flex min-h-6 flex-wrap gap-x-5" role="status">
    {#each counts as { kind, words } (kind)}
      <span class={kind === 'asks' ? 'text-warn-ink font-semibold' : 'text-ink-soft'}>{words}</span>
    {/each}
  </p>
  {#if rows.length === 0}
    <p class="text-ink-soft">{say.nobody}</p>
  {:else}
    <div class="sheet overflow-x-auto">
      <table class="w-full text-left">
        <thead class="border-hairline border-b text-sm">
          <tr>
            {#each Object.entries(say.columns) as [key, words] (key)}
              <th scope="col" class="px-3 py-2 font-semibold {key === 'steps' ? 'text-right' : ''}"
                >{words}</th
              >
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each rows as { studentId, name, project, need } (studentId)}
            <tr
              class="border-hairline border-b last:border-0 {need.kind === 'asks' ? 'bg-warn-wash' : ''}"
              data-need={need.kind}
              animate:flip={{ duration: isCalm ? 0 : 200 }}
            >
              <th scope="row" class="px-3 py-2 font-semibold whitespace-nowrap">
                {#if project}
                  <a
                    class="text-primary-800 underline underline-offset-2"
                    href="/lesson/{data.brief.id}/{project.id}"
                    aria-label={say.watch(name)}>{name}</a
                  >
                {:else}{name}{/if}
              </th>
              <td class="px-3 py-2">
                <span class="flex items-center gap-2 {tones[need.kind] ?? ''}">
                  {#if need.kind === 'asks'}<Hand size={16} aria-hidden="true" />{/if}{need.words}
                  {#if need.kind === 'asks'}
                    <form method="POST" action="?/helped" use:enhance class="ml-1">
                      <input type="hidden" name="project" value={project?.id} />
                      <button
                        class="border-hairline text-ink hover:bg-primary-50 rounded border bg-white px-2 text-sm font-normal"
                        >{say.helped}</button
                      >
                    </form>
                  {/if}
                </span>
              </td>
              <td class="max-w-64 truncate px-3 py-2">
                {#if prompts.length === 0}
                  <span class="text-ink-soft">{say.noPrompts}</span>
                {:else if project?.report}
                  {@const at = prompts.findIndex(({ id }) => id === project.report?.nextPrompt)}
                  {#if at < 0}<span class="text-pass">{say.allPrompts}</span>{:else}
                    <span class="measured text-sm">{say.prompt(at + 1, prompts.length)}</span>
                    <span class="text-ink-soft" title={prompts[at].words}>{prompts[at].words}</span>
                  {/if}
                {/if}
              </td>
              <td class="measured px-3 py-2 text-right">{project?.report?.steps ?? ''}</td>
              <td class="px-3 py-2">
                <span class="flex flex-wrap items-center gap-2">
                  {#if project?.report?.verdict}<VerdictChip verdict={project.report.verdict} />{/if}
                  {#if project?.report?.failing.length}
                    <span class="text-ink-soft text-sm"
                      >{project.report.failing.map((id) => checkTitle(id)).join(', ')}</span
                    >
                  {/if}
                </span>
              </td>
              <td class="text-ink-soft px-3 py-2 whitespace-nowrap">
                {project ? say.ago(minutesSince(project.updatedAt, time.nowMs)) : ''}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</main>
