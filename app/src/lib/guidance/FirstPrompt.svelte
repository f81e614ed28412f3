<script lang="ts">
  import type { FirstStep } from '@kelbrin/core/guide';
  import { guidanceTexts as say } from '$lib/texts/guidance';

  /** What somebody does next who was never at a bench, over the recipe, where the prompts of the brief come after it. */
  interface Props {
    next: { readonly step: FirstStep; readonly at: number };
    onskip(): void;
  }
  let { next, onskip }: Props = $props();
</script>

<!-- As tall as prompts are, so that nothing moves when one takes the place of the other. -->
<section
  class="border-hairline bg-primary-50 flex min-h-[3.4rem] items-start justify-between gap-3 border-b px-4 py-1.5 text-sm"
  aria-label={say.firstHeading}
  data-first={next.step}
>
  <p aria-live="polite">
    <strong class="text-primary-800">{say.firstOf(next.at)}</strong>
    {say.first[next.step]}
  </p>
  <button
    type="button"
    class="text-primary-800 shrink-0 underline underline-offset-2 pointer-coarse:min-h-11"
    onclick={onskip}>{say.skip}</button
  >
</section>
