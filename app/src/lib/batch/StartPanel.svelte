<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { printersNow } from '$lib/server/printing/printRoom';
  import RollDots from '$lib/printroom/RollDots.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { batchTexts as say } from '$lib/texts/batch';

  /** Starts a batch on a printer that is ready for it, or plans it for one. */
  interface Props {
    printers: Awaited<ReturnType<typeof printersNow>>;
    ready: Props['printers'];
    plannedFor: string | null;
    start: (printer: string) => void;
  }
  let { printers, ready, plannedFor, start }: Props = $props();
</script>

<section class="sheet flex flex-col gap-2 p-4" aria-label={say.start}>
  {#each ready as each (each.id)}
    <Button onclick={() => start(each.id)}>
      <span class="mr-2 flex gap-1">
        <RollDots rolls={each.places} class="h-3 w-3 border-white" />
      </span>{say.startOn(each.name)}
    </Button>
  {:else}
    <p class="text-ink-soft">{say.noneFree}</p>
  {/each}
  <form
    method="POST"
    action="?/plan"
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
  >
    <label class="flex items-center gap-2 text-sm"
      >{say.plannedFor}
      <select
        name="printer"
        class="border-hairline rounded py-1 pr-8 pl-2"
        value={plannedFor ?? ''}
        onchange={({ currentTarget }) => currentTarget.form?.requestSubmit()}
      >
        <option value="">{say.noPrinter}</option>
        {#each printers as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select></label
    >
  </form>
</section>
