<script lang="ts">
  import type { ProjectState } from '$lib/server/projects/projects';

  interface Props {
    state: ProjectState;
    /** Other words than the usual ones for the state. */
    words?: string;
  }
  let { state, words }: Props = $props();

  const looks: Record<ProjectState, { words: string; tone: string }> = {
    designing: { words: 'designing', tone: 'border-hairline text-ink' },
    checking: { words: 'being checked', tone: 'border-hairline text-ink' },
    waiting: { words: 'handed in', tone: 'border-primary-300 bg-primary-50 text-primary-900' },
    sent_back: { words: 'sent back', tone: 'border-warn bg-warn-wash text-warn-ink' },
    approved: { words: 'approved, in the queue', tone: 'border-pass bg-pass-wash text-pass' },
    printing: { words: 'printing', tone: 'border-primary-700 bg-primary-700 text-white' },
    printed: { words: 'printed', tone: 'border-pass bg-pass-wash text-pass' },
  };
</script>

<span
  class="inline-block rounded border px-2 text-sm leading-6 whitespace-nowrap {looks[state].tone}"
  data-state={state}
>
  {words ?? looks[state].words}
</span>
