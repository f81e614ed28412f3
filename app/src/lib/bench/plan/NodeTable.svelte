<script lang="ts">
  import { evaluateAmount, type Amount, type Node, type Point } from '@kelbrin/core/recipe';
  import DimensionField from '$lib/ui/DimensionField.svelte';
  import { planTexts as say } from '$lib/texts/plan';

  interface Props {
    nodes: readonly Node[];
    /** Where the points lie, worked out. */
    at: readonly Point[];
    /** A half profile, x its distance from an axis. */
    isProfile: boolean;
    chosen: number | undefined;
    measures: ReadonlyMap<string, number>;
    onchange(nodes: readonly Node[], gesture?: number): void;
    onchoose(index: number): void;
    onremove(index: number): void;
  }
  let { nodes, at, isProfile, chosen, measures, onchange, onchoose, onremove }: Props = $props();

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

<div
  class="border-hairline w-52 shrink-0 overflow-y-auto border-l p-2 text-sm"
  role="group"
  aria-label={say.points}
>
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
        <tr class={chosen === i ? 'bg-primary-50' : ''} onfocusin={() => onchoose(i)}>
          <td class="text-ink-soft measured">{i + 1}</td>
          {#each columns as { key, words } (key)}
            <td>
              <DimensionField
                value={node[key] ?? 0}
                worth={worth(node[key] ?? 0)}
                label={say.point(i + 1, words)}
                unit={key === 'bend' ? '%' : 'mm'}
                bare
                min={key === 'bend' ? -100 : -1000}
                max={key === 'bend' ? 100 : 1000}
                nudge={key === 'bend' ? 5 : 1}
                {measures}
                onchange={(value, gesture) => onchange(nodes.with(i, { ...node, [key]: value }), gesture)}
                onproblem={() => {}}
              />
            </td>
          {/each}
          <td>
            <button
              type="button"
              class="text-ink-soft hover:text-fail px-1"
              aria-label={say.deletePoint(i + 1)}
              onclick={() => onremove(i)}>×</button
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
      const [x, y] = at[at.length - 1] ?? [0, 0];
      onchange([...nodes, { xMm: x + 5, yMm: y }]);
    }}>+ {say.addPoint}</button
  >
</div>
