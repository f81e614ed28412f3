<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Proposal } from '$lib/server/printing/batches/proposals';
  import { queueTexts as say } from '$lib/texts/queue';
  import { clock } from '$lib/ui/clock.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { clockTime } from '$lib/ui/times';
  import { namesOf } from '../partsInWords';
  import type { Sent } from './proposals.svelte';

  /** What could be started now on each printer that is free. */
  interface Props {
    /** Undefined until they are known. */
    proposals: readonly Sent<Proposal>[] | undefined;
  }
  let { proposals }: Props = $props();

  const time = clock();
</script>

<section class="mb-6" aria-label={say.proposed}>
  <h2 class="mb-1">{say.proposed}</h2>
  <p class="text-ink-soft mb-2 text-sm">{say.rules}</p>
  {#if !proposals}<p class="sheet text-ink-soft px-4 py-2" role="status">{say.looking}</p>{/if}
  <ul class="divide-hairline divide-y {proposals ? 'sheet' : ''}">
    {#each proposals ?? [] as proposal (proposal.printer.id)}
      <li data-proposal={proposal.printer.name}>
        <form
          method="POST"
          action="?/lay"
          use:enhance
          class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2"
        >
          <input type="hidden" name="printer" value={proposal.printer.id} />
          {#each proposal.parts as { id } (id)}<input type="hidden" name="entry" value={id} />{/each}
          <span class="flex items-center gap-2">
            <span
              class="border-hairline h-3 w-3 shrink-0 rounded-full border"
              style="background: {proposal.printer.colour}"
            ></span>
            <strong>{say.proposal(proposal.parts.length, proposal.printer.name)}</strong>
          </span>
          <span class="min-w-0 flex-1 basis-80">
            <span class="text-ink-soft">{namesOf(proposal.parts)}.</span>
            {say.proposalTakes(
              proposal.seconds,
              proposal.grams,
              clockTime(new Date(time.nowMs + proposal.seconds * 1000)),
            )}, {proposal.isOvernight
              ? say.overnight(clockTime(new Date(proposal.until)))
              : say.beforeBell(clockTime(new Date(proposal.until)))}.
            {#if proposal.parts.length > 1}
              <span class="text-ink-soft block text-sm"
                >{say.saves(proposal.parts.length - 1, proposal.savesSeconds)}</span
              >
            {/if}
          </span>
          <Button type="submit" size="xs" class="ml-auto">{say.layProposal}</Button>
        </form>
      </li>
    {/each}
  </ul>
</section>
