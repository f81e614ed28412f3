<script lang="ts">
  import type { LimitsCard } from '@kelbrin/core/inspect';
  import type { PrintHead } from '@kelbrin/core/machine';
  import type { PrintChoice } from '@kelbrin/core/slice';
  import type { BatchPart } from '$lib/server/printing/batches/batchParts';
  import { placeProblem } from '$lib/shared/placeProblem';
  import { batchTexts as say } from '$lib/texts/batch';

  interface Props {
    parts: BatchPart[];
    limits: LimitsCard;
    choice: PrintChoice;
    head: PrintHead | undefined;
  }
  let { parts, limits, choice, head }: Props = $props();

  const problem = $derived(placeProblem(parts, { limits, choice, head }));
</script>

<p role="status" class="text-sm {problem ? 'text-fail' : 'text-ink-soft'}">{problem ?? say.howToMove}</p>
