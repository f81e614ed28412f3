<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Textarea } from 'flowbite-svelte';
  import { grouped } from '$lib/ui/grouped';
  import { people as say } from '$lib/texts/people';
  import { readStudentList } from '$lib/shared/studentList';

  interface Props {
    /** Sign-in names that are taken. */
    taken: ReadonlySet<string>;
  }
  let { taken }: Props = $props();

  let words = $state('');
  const list = $derived(readStudentList(words, taken));
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
    const [file] = event.currentTarget.files ?? [];
    event.currentTarget.value = '';
    if (file) words = await file.text();
  }
</script>

<form
  method="POST"
  action="?/add"
  class="sheet flex flex-col gap-3 p-4"
  use:enhance={() =>
    async ({ result, update }) => {
      if (result.type === 'success') words = '';
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
      maxlength={20_000}
    />
  </label>
  <label class="text-primary-800 w-fit cursor-pointer underline underline-offset-2 focus-within:outline-2">
    {say.listFile}
    <input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" class="sr-only" onchange={read} />
  </label>
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
