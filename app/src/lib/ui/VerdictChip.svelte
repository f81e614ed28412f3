<script lang="ts">
  import CircleCheck from '@lucide/svelte/icons/circle-check';
  import CircleDashed from '@lucide/svelte/icons/circle-dashed';
  import CircleX from '@lucide/svelte/icons/circle-x';
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Verdict } from '@kelbrin/core/inspect';
  import { standingWords, verdictWords } from '$lib/texts/states';

  interface Props {
    verdict: Verdict;
    /** Whether a failure is only what nobody has begun yet. */
    isToDo?: boolean;
  }
  let { verdict, isToDo = false }: Props = $props();

  const looks = {
    pass: { icon: CircleCheck, tone: 'bg-pass-wash text-pass' },
    warn: { icon: TriangleAlert, tone: 'bg-warn-wash text-warn-ink' },
    fail: { icon: CircleX, tone: 'bg-fail-wash text-fail' },
    toDo: { icon: CircleDashed, tone: 'bg-primary-50 text-primary-900' },
  };
  const { icon: Icon, tone } = $derived(looks[isToDo ? 'toDo' : verdict]);
</script>

<span
  class="inline-flex items-center gap-1 rounded px-1.5 text-sm leading-6 font-semibold {tone}"
  data-verdict={verdict}
>
  <Icon size={14} aria-hidden="true" />{isToDo ? standingWords.toDo : verdictWords[verdict]}
</span>
