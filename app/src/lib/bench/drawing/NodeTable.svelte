<script lang="ts">
  import { evaluateAmount, isFormula, type Amount } from '@kelbrin/core/recipe';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import type { DrawingState } from './drawing.svelte';
  import { drawingTexts as say } from '$lib/texts/drawing';

  /** The points of a drawing as numbers. */
  interface Props {
    drawing: DrawingState;
    /** A half profile, x its distance from an axis. */
    isProfile: boolean;
    measures: ReadonlyMap<string, number>;
  }
  let { drawing, isProfile, measures }: Props = $props();

  const nodes = $derived(drawing.outline.nodes);
  const chosen = $derived(drawing.marks.points.at(-1));

  /** A point is led to what is typed, so that its rules go on holding. Beside rules, what is worked out is one of them. */
  function set(index: number, key: 'xMm' | 'yMm' | 'bend', value: Amount, gesture?: number): void {
    const [x, y] = drawing.at[index];
    if (key === 'bend' || drawing.rules.length === 0)
      drawing.setNodes(nodes.with(index, { ...nodes[index], [key]: value }), gesture);
    else if (isFormula(value)) drawing.ask([{ kind: 'held', point: index, [key]: value }], gesture);
    else drawing.drag(index, key === 'xMm' ? [value, y] : [x, value], gesture);
  }

  const columns = $derived([
    {
      key: 'xMm',
      title: isProfile ? say.axis : say.right,
      words: isProfile ? say.fromAxis : say.toRight,
    },
    { key: 'yMm', title: isProfile ? say.height : say.back, words: isProfile ? say.height : say.toBack },
    { key: 'bend', title: say.bendTitle, words: say.bendOfEdge },
  ] as const);

  function worth(value: Amount): number | undefined {
    const worked = evaluateAmount(value, measures);
    return worked.ok ? worked.value : undefined;
  }
</script>

<div class="min-h-0 flex-1 overflow-y-auto p-2" role="group" aria-label={say.points}>
  <table class="w-full">
    <thead class="text-ink-soft text-left">
      <tr>
        <th class="font-normal"></th>
        {#each columns as { key, title } (key)}<th class="font-semibold">{title}</th>{/each}
        <th></th>
      </tr>
    </thead>
    <tbody>
      {#each nodes as node, i (i)}
        <tr class={chosen === i ? 'bg-primary-50' : ''} onfocusin={() => drawing.markOnly(i)}>
          <td class="text-ink-soft measured">{i + 1}</td>
          {#each columns as { key, words } (key)}
            <td>
              <DimensionField
                value={node[key] ?? 0}
                worth={worth(node[key] ?? 0)}
                label={say.point(i + 1, words)}
                unit={key === 'bend' ? '%' : 'mm'}
                bare
                min={-1000}
                max={1000}
                nudge={key === 'bend' ? 5 : 1}
                {measures}
                onchange={(value, gesture) => set(i, key, value, gesture)}
                onproblem={() => {}}
              />
            </td>
          {/each}
          <td>
            <button
              type="button"
              class="text-ink-soft hover:text-fail px-1"
              aria-label={say.deletePoint(i + 1)}
              onclick={() => drawing.remove(i)}>×</button
            >
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  <button
    type="button"
    class="text-primary-800 hover:bg-primary-50 mt-1 rounded px-1.5 py-0.5"
    onclick={() => {
      drawing.addAfterLast();
    }}>+ {say.addPoint}</button
  >
</div>
