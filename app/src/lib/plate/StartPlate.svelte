<script lang="ts">
  import { enhance } from '$app/forms';
  import type { SubmitFunction } from '@sveltejs/kit';
  import { Button, Modal } from 'flowbite-svelte';
  import { plateTexts as say } from '$lib/texts/plate';

  interface Printer {
    readonly id: string;
    readonly name: string;
    readonly spool: {
      readonly material: string;
      readonly colour: string;
      readonly colourName: string;
      readonly gramsLeft: number;
    } | null;
  }
  interface Props {
    printer: Printer;
    material: string;
    grams: number | undefined;
    close: () => void;
  }
  let { printer, material, grams, close }: Props = $props();

  /** Whatever came of it is told by the page. */
  const andClose: SubmitFunction =
    () =>
    async ({ update }) => {
      await update();
      close();
    };
  let done = $state<string[]>([]);
  const fits = $derived(printer.spool?.material.toLowerCase() === material.toLowerCase());
  const steps = $derived([
    ['spool', say.checks.spool(printer.spool?.material ?? material, printer.spool?.colourName ?? '')],
    ['bed', say.checks.bed],
    ['plate', say.checks.plate],
    ['watch', say.checks.watch],
  ] as const);
</script>

<Modal open title={say.before(printer.name)} size="md" onclose={close} outsideclose={false}>
  <form method="POST" action="?/start" use:enhance={andClose} class="flex flex-col gap-3">
    <input type="hidden" name="printer" value={printer.id} />
    {#if !fits}
      <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
        {say.wrongMaterial(material, printer.name, printer.spool?.material)}
      </p>
    {:else if grams !== undefined && printer.spool && grams > printer.spool.gramsLeft}
      <p role="alert" class="border-fail bg-fail-wash border-l-4 px-3 py-2">
        {say.tooLittle(grams, printer.spool.gramsLeft)}
      </p>
    {/if}
    {#each steps as [id, words] (id)}
      <label class="border-hairline flex items-center gap-3 rounded border px-3 py-2">
        <input type="checkbox" bind:group={done} value={id} class="rounded" />
        {#if id === 'spool'}
          <span
            class="border-hairline h-4 w-4 rounded-full border"
            style="background: {printer.spool?.colour ?? 'transparent'}"
          ></span>
        {/if}
        {words}
      </label>
    {/each}
    <details class="border-hairline rounded border px-3 py-2">
      <summary class="cursor-pointer">{say.otherFilament}: {say.change}</summary>
      <ol class="mt-2 list-decimal pl-6">
        {#each say.changeSteps as step (step)}<li>{step}</li>{/each}
      </ol>
      <a class="text-primary-800 mt-2 inline-block underline underline-offset-2" href="/spools"
        >{say.spools}</a
      >
    </details>
    <div class="flex justify-end gap-2">
      <Button type="button" color="alternative" onclick={close}>{say.cancel}</Button>
      <Button type="submit" disabled={done.length < steps.length || !fits}>{say.go}</Button>
    </div>
  </form>
</Modal>
