<script lang="ts">
  import { runsLow } from '$lib/shared/spool';
  import { spoolTexts as say } from '$lib/texts/spools';

  interface Props {
    /** The roll, or none where none is noted. */
    spool: {
      readonly material: string;
      readonly colour: string;
      readonly colourName: string;
      readonly gramsLeft: number;
    } | null;
    /** Where it is on a printer with several places. */
    place?: number;
  }
  let { spool, place }: Props = $props();
</script>

{#if place !== undefined}<span class="text-ink-soft text-sm">{say.place(place)}:</span>{/if}
{#if spool}
  <span class="inline-flex items-center gap-2">
    <span class="border-hairline h-4 w-4 shrink-0 rounded-full border" style="background: {spool.colour}"
    ></span>
    <span class="text-ink-soft">{spool.material}, {spool.colourName}</span>
    <span class="measured text-sm {runsLow(spool) ? 'text-warn-ink font-semibold' : 'text-ink-soft'}"
      >{say.grams(spool.gramsLeft)}</span
    >
  </span>
{:else}
  <span class="text-warn-ink">{say.none}</span>
{/if}
