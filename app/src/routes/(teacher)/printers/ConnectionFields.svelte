<script lang="ts">
  import { baudRates, type Connection } from '$lib/shared/connection';
  import { printerPort } from '$lib/shared/printerDraft';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import NumberField from '$lib/ui/NumberField.svelte';
  import { printersTexts as say } from '$lib/texts/printers';

  /** How a printer is reached: the way, and what that way takes. */
  interface Props {
    kept: Connection;
    /** The ports and memory cards that the server has now. */
    ports: readonly string[];
    cards: readonly string[];
  }
  let { kept, ports, cards }: Props = $props();

  let chosen = $state<string>();
  const way = $derived(chosen ?? kept.way);
  const path = $derived(kept.way === 'usb' ? kept.path : '');
  const card = $derived(kept.way === 'card' ? (kept.card ?? '') : '');
  /** What is there, and what was chosen before although it is not there now. */
  const withKept = (there: readonly string[], chosen: string) =>
    chosen === '' || there.includes(chosen) ? there : [chosen, ...there];
  const short = (port: string) => port.slice(port.lastIndexOf('/') + 1);
</script>

<label class="flex flex-col">
  {say.way}
  <KeptSelect
    name="way"
    class="mt-1 w-36"
    kept={kept.way}
    items={Object.entries(say.ways).map(([value, name]) => ({ value, name }))}
    bind:chosen
  />
</label>
{#if way === 'network'}
  <label>
    {say.host}
    <KeptInput
      name="host"
      class="measured mt-1 w-36"
      maxlength={253}
      kept={kept.way === 'network' ? kept.host : ''}
      required
    />
  </label>
  <label class="flex flex-col">
    {say.port}
    <NumberField
      name="port"
      {...printerPort}
      class="mt-1 h-10.5 w-20"
      kept={kept.way === 'network' ? kept.port : null}
    />
  </label>
{:else if way === 'usb'}
  {#if withKept(ports, path).length > 0}
    <label class="flex flex-col">
      {say.usbPort}
      <KeptSelect
        name="path"
        class="mt-1 w-52"
        kept={path === '' ? ports[0] : path}
        items={withKept(ports, path).map((value) => ({ value, name: short(value) }))}
      />
    </label>
  {:else}
    <p class="text-warn-ink mb-2 max-w-64 text-sm">{say.noUsbPort}</p>
  {/if}
  <label class="flex flex-col">
    {say.baudRate}
    <KeptSelect
      name="baudRate"
      class="mt-1 w-28"
      kept={String(kept.way === 'usb' ? kept.baudRate : baudRates[0])}
      items={baudRates.map((rate) => ({ value: String(rate), name: String(rate) }))}
    />
  </label>
{:else}
  <label class="flex flex-col">
    {say.card}
    <KeptSelect
      name="card"
      class="mt-1 w-52"
      kept={card}
      items={[
        { value: '', name: say.noCard },
        ...withKept(cards, card).map((value) => ({ value, name: say.cardNamed(value) })),
      ]}
    />
  </label>
{/if}
