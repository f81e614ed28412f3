<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { SHARE_DAYS } from '$lib/shared/shareDays';
  import { sharingTexts as say } from '$lib/texts/sharing';
  import { sendJson } from '$lib/ui/send';
  import { shortDay } from '$lib/ui/times';

  interface Link {
    readonly id: string;
    readonly token: string;
    readonly version: number;
    readonly expiresAt: string;
  }
  interface Props {
    projectId: string;
    versions: readonly { readonly number: number; readonly name: string }[];
  }
  let { projectId, versions }: Props = $props();

  let version = $state(0);
  let days = $state<number>(7);
  let links = $state.raw<readonly Link[]>([]);
  let problem = $state<string>();
  /** The link that was copied last. */
  let copied = $state<string>();
  const chosen = $derived(version || versions[0]?.number);
  const path = $derived(`/bench/${projectId}/shares`);
  const address = (token: string) => `${location.origin}/shared/${token}`;

  async function load(): Promise<void> {
    const answer = await fetch(path).catch(() => undefined);
    if (answer?.ok) links = (await answer.json()) as Link[];
  }
  $effect(() => void load());

  async function attempt(work: Promise<void>): Promise<void> {
    problem = await work.then(
      () => undefined,
      (why: Error) => why.message,
    );
    await load();
  }

  async function copy(token: string): Promise<void> {
    await navigator.clipboard.writeText(address(token)).catch(() => {});
    copied = token;
  }
</script>

<section class="border-hairline border-t pt-3" aria-label={say.share}>
  <div class="flex flex-wrap items-end gap-3">
    <label class="min-w-0 flex-1 text-sm">
      {say.share}
      <select
        class="border-hairline mt-1 block w-full rounded text-sm"
        bind:value={() => chosen, (number) => (version = number)}
      >
        {#each versions as { number, name } (number)}<option value={number}>v{number}, {name}</option>{/each}
      </select>
    </label>
    <select class="border-hairline rounded text-sm" aria-label={say.howLong} bind:value={days}>
      {#each SHARE_DAYS as count (count)}<option value={count}>{say.days(count)}</option>{/each}
    </select>
    <Button
      size="sm"
      color="alternative"
      onclick={() => attempt(sendJson('POST', path, { version: chosen, days }))}>{say.make}</Button
    >
  </div>
  <p class="text-ink-soft mt-1 text-sm">{say.what}</p>
  {#if problem}<p role="alert" class="text-fail">{problem}</p>{/if}
  <ul class="mt-2 flex flex-col gap-1 text-sm" aria-label={say.links}>
    {#each links as { id, token, version: of, expiresAt } (id)}
      <li class="flex items-center gap-3">
        <a class="measured min-w-0 flex-1 truncate underline underline-offset-2" href="/shared/{token}"
          >{address(token)}</a
        >
        <span class="text-ink-soft whitespace-nowrap">{say.line(of, shortDay(expiresAt))}</span>
        <button type="button" class="underline underline-offset-2" onclick={() => copy(token)}
          >{copied === token ? say.copied : say.copy}</button
        >
        <button
          type="button"
          class="hover:text-fail underline underline-offset-2"
          onclick={() => attempt(sendJson('DELETE', path, { id }))}>{say.takeBack}</button
        >
      </li>
    {/each}
  </ul>
</section>
