<script lang="ts">
  import { Button, Label, Modal, Select } from 'flowbite-svelte';
  import { untrack } from 'svelte';
  import { fileName } from '@kelbrin/core/format';
  import type { Detail } from '@kelbrin/core/solid';
  import type { BenchState } from '../state/bench.svelte';
  import type { ExportedFile, ExportWish } from '../worker/messages';
  import { exportTexts as say } from '$lib/texts/export';

  interface Props {
    open: boolean;
    bench: BenchState;
    /** What the file is called after. */
    brief: string;
    part: string;
    author: string;
    /** The number that the next version will have. */
    version: number;
    /** The class's pattern of file names. */
    pattern: string;
    colour: string;
  }
  let { open = $bindable(false), bench, brief, part, author, version, pattern, colour }: Props = $props();

  const formats: Record<ExportWish['format'], { ending: string; type: string }> = {
    '3mf': { ending: '3mf', type: 'model/3mf' },
    stl: { ending: 'stl', type: 'model/stl' },
    'ascii-stl': { ending: 'stl', type: 'model/stl' },
    obj: { ending: 'obj', type: 'model/obj' },
    'plan-svg': { ending: 'svg', type: 'image/svg+xml' },
    'section-svg': { ending: 'svg', type: 'image/svg+xml' },
  };
  const details = (['fine', 'normal', 'coarse'] satisfies Detail[]).map((value) => ({
    value,
    name: say.details[value],
  }));

  let format = $state<ExportWish['format']>('3mf');
  let detail = $state<Detail>('fine');
  let file = $state.raw<ExportedFile>();
  let address = $state<string>();

  const isDrawing = $derived(format === 'plan-svg' || format === 'section-svg');
  const name = $derived(
    `${fileName(pattern, { brief, student: author, part, n: version })}.${formats[format].ending}`,
  );
  const words = $derived(file && say.size(file.bytes.length / 1024, isDrawing ? undefined : file.triangles));

  function forget(): void {
    if (address) URL.revokeObjectURL(address);
    address = file = undefined;
  }

  // A file is written as soon as it is chosen, so that its size is seen before it is taken.
  $effect(() => {
    // What was written before is not what is wished for now.
    untrack(forget);
    if (!open || !bench.solid) return;
    const { type } = formats[format];
    const notes = { title: `${brief}: ${part}`, author, colour, recipe: JSON.stringify(bench.recipe) };
    bench.export(
      { format, detail, zMm: bench.showing.cutMm ?? bench.solid.inspection.part.sizeMm[2] / 2, notes },
      (written) => {
        file = written;
        address = URL.createObjectURL(new Blob([written.bytes], { type }));
      },
    );
  });
</script>

<Modal bind:open title={say.exportPart} aria-label={say.exportPart} size="sm">
  <Label>
    {say.format}
    <Select
      class="mt-1"
      bind:value={format}
      items={Object.keys(formats).map((value) => ({
        value,
        name: say.formats[value as ExportWish['format']],
      }))}
      placeholder=""
    />
  </Label>
  {#if !isDrawing}
    <Label>{say.detail}<Select class="mt-1" placeholder="" bind:value={detail} items={details} /></Label>
  {/if}
  <p>
    <span class="measured break-all">{name}</span><br />
    <span class="text-ink-soft" data-testid="export-size">{words ?? say.beingWritten}</span>
  </p>
  {#snippet footer()}
    <Button href={address} download={name} disabled={!address}>{say.download}</Button>
    <Button color="alternative" onclick={() => (open = false)}>{say.close}</Button>
  {/snippet}
</Modal>
