<script lang="ts">
  import { sameMaterial } from '@kelbrin/core/slice';
  import type { printersNow } from '$lib/server/printing/printRoom';
  import { isIdle } from '$lib/shared/printerNow';
  import { queueTexts as say } from '$lib/texts/queue';
  import Menu from '$lib/ui/Menu.svelte';
  import RollDots from './RollDots.svelte';

  /** Starts a part by itself: the printers that are free, those with its material first, and why the others are not. */
  interface Props {
    entry: { readonly student: string; readonly material: string };
    printers: Awaited<ReturnType<typeof printersNow>>;
    start(printer: string): void;
  }
  let { entry, printers, start }: Props = $props();

  type Printer = Props['printers'][number];
  let isOpen = $state(false);
  const rolls = ({ places }: Printer) => places.filter((spool) => spool !== null);
  const fits = (printer: Printer) =>
    rolls(printer).some(({ material }) => sameMaterial(material, entry.material));
  const free = $derived(printers.filter(isIdle).toSorted((a, b) => Number(fits(b)) - Number(fits(a))));
  const others = $derived(printers.filter((printer) => !isIdle(printer)));
  const whyNot = ({ status, run }: Printer) =>
    run ? say.printerPrints : status?.online ? say.printerChanges : say.printerSilent;
</script>

<Menu words={say.print} label={say.printNamed(entry.student)} bind:isOpen>
  {#each free as printer (printer.id)}
    <li class="list-none">
      <button
        type="button"
        class="hover:bg-primary-50 flex w-full items-center gap-2 rounded px-2 py-1.5 text-left"
        aria-label={say.printOn(entry.student, printer.name)}
        onclick={() => {
          isOpen = false;
          start(printer.id);
        }}
      >
        <RollDots rolls={printer.places} />
        <span class="flex-1">{printer.name}</span>
        <span class="text-sm {fits(printer) ? 'text-ink-soft' : 'text-warn-ink'}"
          >{[...new Set(rolls(printer).map(({ material }) => material))].join(', ') || say.noSpool}</span
        >
      </button>
    </li>
  {:else}
    <li class="text-ink-soft list-none px-2 py-1.5">{say.noneFree}</li>
  {/each}
  {#each others as printer (printer.id)}
    <li class="text-ink-soft flex list-none items-center gap-2 px-2 py-1.5">
      <span class="flex-1">{printer.name}</span>
      <span class="text-sm">{whyNot(printer)}</span>
    </li>
  {/each}
</Menu>
