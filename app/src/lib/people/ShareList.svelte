<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import { dayAndTime } from '$lib/ui/times';
  import { people as say } from '$lib/texts/people';

  interface Props {
    shares: readonly {
      readonly id: string;
      readonly student: string;
      readonly brief: string;
      readonly version: number;
      readonly expiresAt: Date;
    }[];
  }
  let { shares }: Props = $props();
</script>

<section class="sheet mt-6 p-4" aria-label={say.shares}>
  <h2>{say.shares}</h2>
  <p class="text-ink-soft">{say.sharesWhat}</p>
  <ul class="divide-hairline divide-y">
    {#each shares as { id, student, brief, version, expiresAt } (id)}
      <li class="flex items-center gap-3 py-2">
        <span>{say.share(student, brief, version)}</span>
        <span class="text-ink-soft">{say.shareUntil(dayAndTime(expiresAt))}</span>
        <form method="POST" action="?/revoke" use:enhance class="ml-auto">
          <input type="hidden" name="share" value={id} />
          <Button type="submit" size="xs" color="alternative" aria-label={say.revokeNamed(student, version)}
            >{say.revoke}</Button
          >
        </form>
      </li>
    {:else}
      <li class="text-ink-soft">{say.noShares}</li>
    {/each}
  </ul>
</section>
