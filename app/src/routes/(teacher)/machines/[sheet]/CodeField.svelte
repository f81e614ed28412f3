<script lang="ts">
  import {
    codeProblems,
    codeValues,
    exampleValues,
    writtenCode,
    type CodePlace,
    type CodeValues,
    type MachineSheet,
  } from '@kelbrin/core/machine';
  import { codePlaces } from '$lib/shared/machineDraft';
  import { machinesTexts as say } from '$lib/texts/machines';

  /** G-code at one place of a print, checked as it is typed, and as it would be written. */
  interface Props {
    sheet: MachineSheet;
    place: CodePlace;
    /** The batch for which it is shown as it would be written; without one, values are made up. */
    batch: { readonly name: string; readonly values: CodeValues } | undefined;
    onchange(code: string): void;
  }
  let { sheet, place, batch, onchange }: Props = $props();

  const id = $props.id();
  const code = $derived(sheet.code[place]);
  const values = $derived({ ...exampleValues(sheet), ...batch?.values });
  const problems = $derived(codeProblems(place, sheet, values));
  const written = $derived(problems.length === 0 ? writtenCode(code, values) : []);
</script>

<div class="flex flex-col gap-1">
  <label for={id} class="text-sm font-semibold">{codePlaces[place]}</label>
  <div class="grid gap-3 md:grid-cols-2">
    <textarea
      {id}
      class="measured border-hairline w-full rounded border px-2 py-1 text-sm"
      rows={Math.min(16, code.split('\n').length + 1)}
      maxlength={4000}
      spellcheck="false"
      aria-invalid={problems.length > 0}
      aria-describedby="{id}-problems"
      value={code}
      oninput={(event) => onchange(event.currentTarget.value)}></textarea>
    <div class="text-sm">
      <ul id="{id}-problems" aria-live="polite">
        {#each problems as { line, message } (`${line} ${message}`)}
          <li class="text-fail">{say.line(line, message)}</li>
        {:else}
          <li class="text-pass">{say.noFault}</li>
        {/each}
      </ul>
      {#if written.length > 0}
        <details>
          <summary class="cursor-pointer">{say.preview(batch?.name)}</summary>
          <pre class="measured bg-primary-50 max-h-64 overflow-auto p-2">{written.join('\n')}</pre>
        </details>
      {/if}
      <details>
        <summary class="cursor-pointer">{say.namesTitle}</summary>
        <dl class="grid grid-cols-[max-content_1fr] gap-x-3">
          {#each codeValues as { name, what } (name)}
            <dt class="measured">{name}</dt>
            <dd>{what}</dd>
          {/each}
        </dl>
      </details>
    </div>
  </div>
</div>
