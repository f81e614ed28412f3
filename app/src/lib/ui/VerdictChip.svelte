<script lang="ts">
  import CircleCheck from '@lucide/svelte/icons/circle-check';
  import CircleX from '@lucide/svelte/icons/circle-x';
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Verdict } from '@kelbrin/core/inspect';
  import { verdictWords } from '$lib/texts/states';

  let { verdict }: { verdict: Verdict } = $props();

  const looks = {
    pass: { icon: CircleCheck, tone: 'bg-pass-wash text-pass' },
    warn: { icon: TriangleAlert, tone: 'bg-warn-wash text-warn-ink' },
    fail: { icon: CircleX, tone: 'bg-fail-wash text-fail' },
  };
  const { icon: Icon, tone } = $derived(looks[verdict]);
</script>

<span
  class="inline-flex items-center gap-1 rounded px-1.5 text-sm leading-6 font-semibold {tone}"
  data-verdict={verdict}
>
  <Icon size={14} aria-hidden="true" />{verdictWords[verdict]}
</span>
