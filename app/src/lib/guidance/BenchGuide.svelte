<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import { standingIn, type Guidance } from '@kelbrin/core/guide';
  import type { BenchState } from '$lib/bench/state/bench.svelte';
  import { Pulse } from '$lib/bench/state/pulse';
  import { sendJson } from '$lib/ui/send';
  import FirstPrompt from './FirstPrompt.svelte';
  import { FirstWay } from './firstWay.svelte';
  import GuidancePanel from './GuidancePanel.svelte';
  import { notTaken, untold, type OwnTicks } from './ownTicks';

  interface Props {
    bench: BenchState;
    projectId: string;
    prompts: Guidance;
    /** Whether whoever designs has never been at a bench before. */
    isFirst: boolean;
    /** The ids of the prompts that were ticked off by hand. */
    ticked: readonly string[];
    /** Whether what is on the bench is handed in. */
    isHandedIn: boolean;
  }
  let { bench, projectId, prompts, isFirst, ticked, isHandedIn }: Props = $props();

  let own = $state.raw<OwnTicks>({});
  $effect(() => {
    const rest = untold(own, ticked);
    if (Object.keys(rest).length < Object.keys(own).length) own = rest;
  });
  const done = $derived(prompts.map(({ id }) => id).filter((id) => own[id] ?? ticked.includes(id)));
  const inspection = $derived(bench.isCurrent ? bench.solid?.inspection : undefined);
  const standing = $derived(standingIn(prompts, new Set(done), { recipe: bench.recipe, inspection }));

  const first = untrack(() => new FirstWay(bench, projectId, isFirst, localStorage));
  $effect(() => first.look(isHandedIn));

  const pulse = untrack(() => new Pulse((report) => sendJson('PUT', `/bench/${projectId}/pulse`, report)));
  onDestroy(() => pulse.close());
  $effect(() => {
    // Before its first solid the bench has nothing to say.
    if (!bench.solid && !bench.problem) return;
    pulse.beat({
      steps: bench.recipe.steps.length,
      verdict: inspection?.verdict ?? null,
      failing: inspection?.checks.filter(({ verdict }) => verdict === 'fail').map(({ id }) => id) ?? [],
      promptsDone: standing.done.filter(Boolean).length,
      nextPrompt: standing.next === undefined ? null : prompts[standing.next].id,
    });
  });

  async function tick(prompt: string, isDone: boolean): Promise<void> {
    own = { ...own, [prompt]: isDone };
    await sendJson('PUT', `/bench/${projectId}/prompts`, { prompt, isDone }).catch(() => {
      own = notTaken(own, prompt, isDone);
    });
  }
</script>

{#if first.next}
  <FirstPrompt next={first.next} onskip={() => first.end()} />
{:else if prompts.length > 0}<GuidancePanel {prompts} {standing} {isHandedIn} ontick={tick} />{/if}
