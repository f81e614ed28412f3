<script lang="ts">
  import { Button, Label, Select } from 'flowbite-svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { untrack } from 'svelte';
  import { recipeOf } from '@kelbrin/core/design';
  import { fileName } from '@kelbrin/core/format';
  import { boundsOf } from '@kelbrin/core/mesh';
  import type { SheetWish } from '@kelbrin/core/sheet';
  import type { Detail } from '@kelbrin/core/solid';
  import { dayWithYear } from '$lib/ui/times';
  import type { BenchState } from '../state/bench.svelte';
  import { middleCut } from '../state/middleCut';
  import type { ExportedFile, ExportWish } from '../worker/messages';
  import SheetWishes from './SheetWishes.svelte';
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
    step: { ending: 'step', type: 'model/step' },
    'step-all': { ending: 'step', type: 'model/step' },
    'sheet-pdf': { ending: 'pdf', type: 'application/pdf' },
    'sheet-svg': { ending: 'svg', type: 'image/svg+xml' },
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
  let sheet = $state<SheetWish>({ paper: 'a4', projection: 'first', section: 'most' });

  const isSheet = $derived(format === 'sheet-pdf' || format === 'sheet-svg');
  /** What is written of the part as it was built, and so has no triangles to be fewer. */
  const isExact = $derived(!['3mf', 'stl', 'ascii-stl', 'obj'].includes(format));
  const offered = $derived(
    (Object.keys(formats) as ExportWish['format'][]).filter(
      (each) => each !== 'step-all' || bench.design.parts.length > 1,
    ),
  );
  const name = $derived(
    `${fileName(pattern, { brief, student: author, part: format === 'step-all' ? brief : part, n: version })}.${formats[format].ending}`,
  );
  /** Why there is no file. */
  const reason = $derived(file?.refused ?? (bench.problem ? say.cannotBeBuilt : undefined));
  const words = $derived(file && say.size(file.bytes.length / 1024, isExact ? undefined : file.triangles));

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
    const title = format === 'step-all' ? brief : `${brief}: ${part}`;
    const notes = { title, author, colour, recipe: JSON.stringify(bench.recipe) };
    const titled = { part, project: brief, author, date: dayWithYear(new Date()) };
    const cut = bench.showing.cut ?? middleCut('z', boundsOf(bench.solid.mesh));
    const parts =
      format === 'step-all'
        ? bench.design.parts.map(({ id, name: called }) => ({
            name: called,
            recipe: recipeOf(bench.design, id),
          }))
        : undefined;
    const wish = { format, detail, cut, notes, parts, sheet: isSheet ? { ...sheet, ...titled } : undefined };
    bench.export(wish, (written) => {
      file = written;
      if (written.refused !== undefined) return;
      address = URL.createObjectURL(new Blob([written.bytes], { type }));
    });
  });
</script>

<Dialog bind:open title={say.exportPart} size={isSheet ? 'lg' : 'sm'}>
  <Label>
    {say.format}
    <Select
      class="mt-1"
      bind:value={format}
      items={offered.map((value) => ({ value, name: say.formats[value] }))}
      placeholder=""
    />
  </Label>
  {#if isSheet}<SheetWishes bind:wish={sheet} />{/if}
  {#if !isExact}
    <Label>{say.detail}<Select class="mt-1" placeholder="" bind:value={detail} items={details} /></Label>
  {/if}
  {#if file?.picture !== undefined}
    <img
      class="border-hairline max-h-[42vh] w-full border bg-white object-contain"
      src="data:image/svg+xml;charset=utf-8,{encodeURIComponent(file.picture)}"
      alt={say.pictureOfSheet}
    />
  {/if}
  {#if reason !== undefined}
    <p role="alert" class="text-fail">{reason}</p>
  {:else}
    <p>
      <span class="measured break-all">{name}</span><br />
      <span class="text-ink-soft" data-testid="export-size">{words ?? say.beingWritten}</span>
    </p>
  {/if}
  {#if file?.leftOut?.length}<p>{say.leftOut(file.leftOut)}</p>{/if}
  {#snippet footer()}
    <Button href={address} download={name} disabled={!address}>{say.download}</Button>
    <Button color="alternative" onclick={() => (open = false)}>{say.close}</Button>
  {/snippet}
</Dialog>
