<script lang="ts">
  import { locale } from '@kelbrin/core/words';
  import { Button, Input } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { designDifferences, parseDesign, type Design, type DesignChanges } from '@kelbrin/core/design';
  import ShareLinks from '$lib/sharing/ShareLinks.svelte';
  import type { Autosave } from '../state/autosave.svelte';
  import type { BenchState } from '../state/bench.svelte';
  import { askTexts } from '$lib/texts/ask';
  import { sendJson } from '$lib/ui/send';
  import { versionTexts as say } from '$lib/texts/versions';

  interface Props {
    open: boolean;
    bench: BenchState;
    autosave: Autosave;
    projectId: string;
    versions: readonly {
      readonly id: string;
      readonly number: number;
      readonly name: string;
      readonly createdAt: Date;
    }[];
    /** Asks for the list of versions anew. */
    onkept(): Promise<void>;
  }
  let { open = $bindable(false), bench, autosave, projectId, versions, onkept }: Props = $props();

  let name = $state('');
  let problem = $state<string>();
  /** The version that is to be deleted, once that is confirmed. */
  let leaving = $state<number>();
  /** The version whose differences are read, and the one it is compared with; 0 is what is on the bench now. */
  let from = $state<number>();
  let to = $state(0);
  let changes = $state.raw<readonly DesignChanges[]>();

  const when = (date: Date) =>
    new Date(date).toLocaleString(locale(), {
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    problem = undefined;
    // What is kept is what the server has, so everything must have arrived there first.
    if (!(await autosave.flush())) {
      problem = say.unsaved;
      return;
    }
    const wish = { revision: autosave.revision, name };
    if (!(await sent(sendJson('POST', `/bench/${projectId}/versions`, wish)))) return;
    name = '';
    await onkept();
  }

  /** Whether a request was taken; if not, why is said. */
  async function sent(request: Promise<void>): Promise<boolean> {
    problem = await request.then(
      () => undefined,
      (error: Error) => error.message,
    );
    return problem === undefined;
  }

  async function remove(number: number): Promise<void> {
    leaving = undefined;
    if (!(await sent(sendJson('DELETE', `/bench/${projectId}/versions/${number}`)))) return;
    await onkept();
  }

  /** What a version held; undefined, with the problem said, when it cannot be had. */
  async function designOf(number: number): Promise<Design | undefined> {
    const response = await fetch(`/bench/${projectId}/versions/${number}`).catch(() => undefined);
    const parsed = parseDesign(await response?.json().catch(() => undefined));
    problem = parsed.ok ? undefined : say.notFetched;
    return parsed.ok ? parsed.design : undefined;
  }

  async function restore(number: number): Promise<void> {
    const design = await designOf(number);
    if (!design) return;
    bench.replace(design);
    open = false;
  }

  function choose(number: number): void {
    from = from === number ? undefined : number;
    to = 0;
  }

  // Compared anew whenever something else is chosen, and when the bench goes on.
  $effect(() => {
    changes = undefined;
    if (!open || from === undefined) return;
    const [earlier, later] = to === 0 || to > from ? [from, to] : [to, from];
    const now = bench.design;
    let isStill = true;
    Promise.all([designOf(earlier), later === 0 ? now : designOf(later)]).then(
      ([before, after]) => {
        if (isStill && before && after) changes = designDifferences(before, after);
      },
      () => {},
    );
    return () => (isStill = false);
  });
</script>

<Dialog bind:open title={say.title} size="md">
  <form class="flex items-end gap-3" onsubmit={keep}>
    <label class="flex-1">
      {say.keepNow}
      <Input class="mt-1" bind:value={name} maxlength={60} placeholder={say.example} />
    </label>
    <Button type="submit">{say.keep}</Button>
  </form>
  {#if problem}<p role="alert" class="text-fail">{problem}</p>{/if}
  <ul class="flex flex-col gap-2">
    {#each versions as version (version.id)}
      {@const isOpen = from === version.number}
      <li class="border-hairline rounded border p-2">
        <div class="flex items-center gap-3">
          <img src="/picture/version/{version.id}?row" alt="" width="96" height="60" loading="lazy" />
          <div class="min-w-0 flex-1">
            <strong class="block truncate">{version.name}</strong>
            <span class="text-ink-soft text-sm">{say.short(version.number)}, {when(version.createdAt)}</span>
          </div>
          <Button size="xs" color="alternative" aria-expanded={isOpen} onclick={() => choose(version.number)}
            >{say.changes}</Button
          >
          <Button size="xs" color="alternative" onclick={() => restore(version.number)}>{say.goBack}</Button>
          <Button
            size="xs"
            color="alternative"
            class="text-fail"
            aria-label={say.removeTitle(version.name)}
            onclick={() => (leaving = version.number)}>{say.remove}</Button
          >
        </div>
        {#if leaving === version.number}
          <div
            class="border-fail bg-fail-wash mt-2 flex items-center gap-3 border-l-4 px-3 py-2"
            role="alert"
          >
            <span class="flex-1">{say.removeWhat}</span>
            <Button size="xs" color="alternative" onclick={() => (leaving = undefined)}>{askTexts.no}</Button>
            <Button
              size="xs"
              class="bg-fail hover:bg-fail text-white hover:opacity-90"
              onclick={() => remove(version.number)}>{say.remove}</Button
            >
          </div>
        {/if}
        {#if isOpen}
          <div class="border-hairline mt-2 border-t pt-2">
            <label class="text-sm">
              {say.between}
              <select class="word" bind:value={to}>
                <option value={0}>{say.here}</option>
                {#each versions.filter(({ number }) => number !== version.number) as other (other.id)}
                  <option value={other.number}>{say.short(other.number)}, {other.name}</option>
                {/each}
              </select>
            </label>
            {#each changes ?? [] as { part, changes: inPart } (part?.id)}
              {#if part && bench.design.parts.length > 1}<h3 class="mt-1 font-semibold">{part.name}</h3>{/if}
              <ul class="ml-5 list-disc" aria-label={say.changes}>
                {#each inPart as { words }, i (i)}<li>{words}</li>{/each}
              </ul>
            {:else}
              <p class="text-ink-soft">{changes ? say.same : say.comparing}</p>
            {/each}
          </div>
        {/if}
      </li>
    {:else}
      <li class="text-ink-soft">
        {say.none}
      </li>
    {/each}
  </ul>
  {#if versions.length > 0}<ShareLinks {projectId} {versions} />{/if}
</Dialog>
