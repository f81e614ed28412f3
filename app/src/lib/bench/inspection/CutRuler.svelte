<script lang="ts">
  import { formatNumber } from '@kelbrin/core/recipe';
  import type { Cut } from '@kelbrin/core/solid';
  import { solidTexts as say } from '$lib/texts/solidView';
  import HeightRuler from '$lib/ui/HeightRuler.svelte';
  import type { ShownSolid } from '../worker/messages';

  interface Props {
    solid: ShownSolid | undefined;
    marked: string | undefined;
    cut: Cut | undefined;
    onmark(stepId: string): void;
    oncut(cut: Cut | undefined): void;
  }
  let { solid, marked, cut, onmark, oncut }: Props = $props();

  const cutMm = $derived(cut?.across === 'z' ? cut.atMm : undefined);
  const bars = $derived(
    (solid?.steps ?? []).map(({ stepId, box, effect }) => ({
      id: stepId,
      lowMm: box.min[2],
      highMm: box.max[2],
      takesAway: effect !== 'add',
    })),
  );
  const flags = $derived(
    (solid?.inspection.checks ?? []).flatMap(({ findings }) =>
      findings
        .filter(({ verdict }) => verdict !== 'pass')
        .map(({ at, verdict, message }) => ({
          atMm: at[2],
          colour: verdict === 'fail' ? 'var(--color-fail)' : 'var(--color-warn)',
          words: message,
        })),
    ),
  );
</script>

<HeightRuler
  topMm={solid?.inspection.part.sizeMm[2] ?? 0}
  atMm={cutMm}
  {bars}
  {marked}
  {flags}
  colours={solid?.colours}
  label={say.cutHeight}
  hint={say.cutHow}
  words={cutMm === undefined ? say.notCut : say.cutAt(formatNumber(cutMm))}
  next={(mm, way, isFar) => Math.round((mm + way * (isFar ? 1 : 0.1)) * 100) / 100}
  onheight={(atMm) => oncut(atMm === undefined ? undefined : { across: 'z', atMm })}
  {onmark}
/>
