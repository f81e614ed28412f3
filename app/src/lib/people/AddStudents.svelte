<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Textarea } from 'flowbite-svelte';
  import { grouped } from '$lib/shared/grouped';
  import { people as say } from '$lib/texts/people';
  import {
    decodedList,
    ENCODINGS,
    guessReading,
    LIST_COLUMNS,
    LIST_DELIMITERS,
    linesOf,
    type Encoding,
    type ListColumn,
    type ListReading,
  } from '$lib/shared/listReading';
  import { LONGEST_LIST, readStudentList } from '$lib/shared/studentList';

  interface Props {
    /** Sign-in names that are taken. */
    taken: ReadonlySet<string>;
  }
  let { taken }: Props = $props();

  let words = $state('');
  /** How somebody said that the list is read, in place of how it is most likely read. */
  let said = $state.raw<Partial<ListReading>>({});
  /** The file that the list was read from, so that it can be read in another encoding. */
  let file = $state.raw<{ readonly bytes: Uint8Array; readonly encoding: Encoding }>();

  const guessed = $derived(guessReading(words));
  const reading = $derived({ ...guessed, ...said });
  const list = $derived(readStudentList(words, taken, reading));
  /** The cells of the first lines, to tell the columns by. */
  const lines = $derived(linesOf(words, reading.delimiter));
  const width = $derived(Math.min(8, Math.max(0, ...lines.map(({ cells }) => cells.length))));

  function setColumn(at: number, column: ListColumn | ''): void {
    const columns = Array.from({ length: width }, (_, i) => reading.columns[i] ?? 'none');
    said = { ...said, columns: columns.with(at, column || 'none') };
  }
  const rows = $derived(
    [
      ...list.students.map((student) => ({ ...student, problems: [] as string[] })),
      ...grouped(list.problems, ({ line }) => line).map(([line, problems]) => ({
        line,
        name: words.split(/\r?\n/)[line - 1]?.trim() ?? '',
        signInName: '',
        pin: undefined,
        problems: problems.map(({ message }) => message),
      })),
    ].sort((a, b) => a.line - b.line),
  );
  const faulty = $derived(rows.filter(({ problems }) => problems.length > 0).length);

  async function read(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const [chosen] = event.currentTarget.files ?? [];
    event.currentTarget.value = '';
    if (!chosen) return;
    const bytes = new Uint8Array(await chosen.slice(0, 4 * LONGEST_LIST).arrayBuffer());
    said = {};
    decode(bytes);
  }

  function decode(bytes: Uint8Array, encoding?: Encoding): void {
    const decoded = decodedList(bytes, encoding);
    words = decoded.words.slice(0, LONGEST_LIST);
    file = { bytes, encoding: decoded.encoding };
  }
</script>

<form
  method="POST"
  action="?/add"
  class="sheet flex flex-col gap-3 p-4"
  use:enhance={() =>
    async ({ result, update }) => {
      if (result.type === 'success') {
        words = '';
        said = {};
        file = undefined;
      }
      // What was typed stays where it is when it is refused.
      await update({ reset: false });
    }}
>
  <h2>{say.add}</h2>
  <label>
    {say.listLabel}
    <Textarea
      name="list"
      rows={6}
      class="measured mt-1 w-full"
      placeholder={say.listExample}
      bind:value={words}
      maxlength={LONGEST_LIST}
    />
  </label>
  <label class="text-primary-800 w-fit cursor-pointer underline underline-offset-2 focus-within:outline-2">
    {say.listFile}
    <input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" class="sr-only" onchange={read} />
  </label>
  <input type="hidden" name="reading" value={JSON.stringify(reading)} />
  {#if width > 1 || file}
    <fieldset class="flex flex-wrap items-end gap-3 text-sm">
      <legend class="mb-1">{say.readAs}</legend>
      {#if file}
        <label
          >{say.encoding}
          <select
            class="border-hairline mt-1 block rounded"
            value={file.encoding}
            onchange={({ currentTarget }) => decode(file!.bytes, currentTarget.value as Encoding)}
          >
            {#each ENCODINGS as each (each)}<option value={each}>{say.encodings[each]}</option>{/each}
          </select>
        </label>
      {/if}
      <label
        >{say.delimiter}
        <select
          class="border-hairline mt-1 block rounded"
          value={reading.delimiter}
          onchange={({ currentTarget }) =>
            (said = { delimiter: currentTarget.value as ListReading['delimiter'] })}
        >
          {#each LIST_DELIMITERS as each (each)}<option value={each}>{say.delimiters[each]}</option>{/each}
        </select>
      </label>
      {#each { length: width }, at (at)}
        <label
          >{say.column(at + 1, lines[0]?.cells[at] ?? '')}
          <select
            class="border-hairline mt-1 block rounded"
            value={reading.columns[at] ?? ''}
            onchange={({ currentTarget }) => setColumn(at, currentTarget.value as ListColumn | '')}
          >
            {#if reading.columns[at] === undefined}<option value="">?</option>{/if}
            {#each LIST_COLUMNS as each (each)}<option value={each}>{say.columns[each]}</option>{/each}
          </select>
        </label>
      {/each}
      <label class="flex items-center gap-1.5 pb-2">
        <input
          type="checkbox"
          class="border-hairline rounded"
          checked={reading.hasHeading}
          onchange={({ currentTarget }) => (said = { ...said, hasHeading: currentTarget.checked })}
        />
        {say.hasHeading}
      </label>
    </fieldset>
  {/if}
  {#if rows.length > 0}
    <div class="border-hairline max-h-80 overflow-y-auto border-t">
      <table class="w-full text-left" data-testid="preview">
        <thead class="text-ink-soft bg-white text-sm">
          <tr>
            <th class="w-12 py-1 font-normal">{say.line}</th>
            <th class="font-normal">{say.name}</th>
            <th class="font-normal">{say.signInName}</th>
            <th class="font-normal">{say.pin}</th>
          </tr>
        </thead>
        <tbody>
          {#each rows as { line, name, signInName, pin, problems } (line)}
            <tr class="border-hairline border-t {problems.length > 0 ? 'bg-fail-wash' : ''}">
              <td class="measured text-ink-soft py-1 pl-1">{line}</td>
              <td class="max-w-60 truncate pr-2">{name}</td>
              {#if problems.length > 0}
                <td colspan="2" class="text-fail py-1">{problems.join('; ')}</td>
              {:else}
                <td class="measured">{signInName}</td>
                <td class="measured">{pin ?? say.pinMade}</td>
              {/if}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  <div class="flex items-center gap-4">
    <Button type="submit" disabled={faulty > 0 || list.problems.length > 0 || list.students.length === 0}>
      {say.addThem(list.students.length)}
    </Button>
    {#if faulty > 0}<span class="text-fail" role="status">{say.linesWrong(faulty)}</span>{/if}
  </div>
</form>
