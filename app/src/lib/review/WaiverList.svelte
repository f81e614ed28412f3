<script lang="ts">
  import { reviewTexts as say } from '$lib/texts/review';
  import { shortDay } from '$lib/ui/times';

  interface Props {
    waivers: readonly {
      readonly check: string;
      readonly title: string;
      readonly reason: string;
      readonly by: string;
      readonly at: Date | string;
    }[];
  }
  let { waivers }: Props = $props();
</script>

{#each waivers as { check, title, reason, by, at } (check)}
  <p class="border-warn bg-warn-wash mt-1 border-l-4 px-2 py-1 text-sm leading-snug" data-waiver={check}>
    <strong>{say.waived}: {title}.</strong>
    {reason} <span class="text-ink-soft whitespace-nowrap">{by}, {shortDay(at)}</span>
  </p>
{/each}
