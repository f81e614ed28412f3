<script lang="ts">
  import type { ProjectState } from '$lib/server/projects/projects';
  import { stateWords } from '$lib/texts/states';

  interface Props {
    state: ProjectState;
    /** Other words than the usual ones for the state. */
    words?: string;
  }
  let { state, words }: Props = $props();

  const tones: Record<ProjectState, string> = {
    designing: 'border-hairline text-ink',
    checking: 'border-hairline text-ink',
    waiting: 'border-primary-300 bg-primary-50 text-primary-900',
    sent_back: 'border-warn bg-warn-wash text-warn-ink',
    approved: 'border-pass bg-pass-wash text-pass',
    printing: 'border-primary-700 bg-primary-700 text-white',
    printed: 'border-pass bg-pass-wash text-pass',
  };
</script>

<span
  class="inline-block rounded border px-2 text-sm leading-6 whitespace-nowrap {tones[state]}"
  data-state={state}
>
  {words ?? stateWords[state]}
</span>
