<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input, Select } from 'flowbite-svelte';
  import KeptInput from '$lib/ui/KeptInput.svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { people as say } from '$lib/texts/people';

  interface Student {
    readonly id: string;
    readonly name: string;
    readonly signInName: string;
    readonly isArchived: boolean;
  }
  interface Props {
    students: readonly Student[];
    /** The teacher's other classes. */
    others: readonly { readonly id: string; readonly name: string }[];
  }
  let { students, others }: Props = $props();

  let chosen = $state<string[]>([]);
  let renaming = $state<string>();
  let removing = $state.raw<Student>();
  let typed = $state('');
  let toClass = $state('');

  // Whoever is gone is chosen no more.
  const here = $derived(chosen.filter((id) => students.some((student) => student.id === id)));
  const allArchived = $derived(
    here.length > 0 && here.every((id) => students.find((student) => student.id === id)?.isArchived),
  );
</script>

<form
  method="POST"
  class="sheet mb-6 p-4"
  use:enhance={() =>
    async ({ update }) =>
      update({ reset: false })}
>
  <div class="mb-2 flex min-h-10 flex-wrap items-center gap-3">
    <h2>{say.students} <span class="text-ink-soft font-normal">{students.length}</span></h2>
    {#if here.length > 0}
      <span class="text-ink-soft" role="status">{say.chosen(here.length)}</span>
      <Button type="submit" size="sm" formaction="?/newPins">{say.newPins}</Button>
      <Button
        type="submit"
        size="sm"
        color="alternative"
        formaction={allArchived ? '?/restore' : '?/archive'}
      >
        {allArchived ? say.restore : say.archive}
      </Button>
      {#if others.length > 0}
        <label class="flex items-center gap-2">
          <span class="text-sm">{say.moveTo}</span>
          <Select
            name="toClass"
            size="sm"
            class="w-48"
            placeholder=""
            items={others.map(({ id, name }) => ({ value: id, name }))}
            bind:value={toClass}
          />
        </label>
        <Button type="submit" size="sm" color="alternative" formaction="?/move" disabled={toClass === ''}>
          {say.move}
        </Button>
      {/if}
      {#if here.length === 1}
        <Button
          size="sm"
          color="alternative"
          class="text-fail"
          onclick={() => {
            typed = '';
            removing = students.find(({ id }) => id === here[0]);
          }}
        >
          {say.remove}
        </Button>
      {/if}
    {/if}
  </div>
  {#if students.length === 0}
    <p class="text-ink-soft">{say.noStudents}</p>
  {:else}
    <table class="w-full text-left">
      <thead class="text-ink-soft text-sm">
        <tr>
          <th class="w-9 py-1">
            <input
              type="checkbox"
              class="text-primary-700 rounded"
              aria-label={say.chooseAll}
              checked={here.length === students.length}
              onchange={(event) => (chosen = event.currentTarget.checked ? students.map(({ id }) => id) : [])}
            />
          </th>
          <th class="font-normal">{say.name}</th>
          <th class="font-normal">{say.signInName}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        {#each students as { id, name, signInName, isArchived } (id)}
          <tr class="border-hairline border-t {isArchived ? 'text-ink-soft' : ''}">
            <td class="py-1.5">
              <input
                type="checkbox"
                name="student"
                value={id}
                class="text-primary-700 rounded"
                aria-label={say.choose(name)}
                checked={chosen.includes(id)}
                onchange={({ currentTarget: { checked } }) =>
                  (chosen = checked ? [...chosen, id] : chosen.filter((each) => each !== id))}
              />
            </td>
            <td>{name}</td>
            <td class="measured">{signInName}</td>
            <td class="text-right">
              {#if isArchived}<span class="mr-3 text-sm">{say.archived}</span>{/if}
              <button
                type="button"
                class="text-primary-800 text-sm underline underline-offset-2"
                aria-label="{say.rename} {name}"
                onclick={() => (renaming = id)}
              >
                {say.rename}
              </button>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</form>

<Dialog open={renaming !== undefined} onclose={() => (renaming = undefined)} title={say.rename} size="xs">
  <form
    method="POST"
    action="?/rename"
    class="flex flex-col gap-3"
    use:enhance={() =>
      async ({ update }) => {
        renaming = undefined;
        await update();
      }}
  >
    <input type="hidden" name="student" value={renaming} />
    <label>
      {say.name}
      <KeptInput
        name="name"
        class="mt-1"
        kept={students.find(({ id }) => id === renaming)?.name ?? ''}
        maxlength={60}
      />
    </label>
    <div class="flex gap-2">
      <Button type="submit">{say.save}</Button>
      <Button color="alternative" onclick={() => (renaming = undefined)}>{say.cancel}</Button>
    </div>
  </form>
</Dialog>

{#if removing}
  {@const name = removing.name}
  <Dialog onclose={() => (removing = undefined)} title={say.removeTitle(name)} size="sm">
    <form
      method="POST"
      action="?/remove"
      class="flex flex-col gap-3"
      use:enhance={() =>
        async ({ update }) => {
          removing = undefined;
          await update();
        }}
    >
      <p>{say.removeWhat}</p>
      <input type="hidden" name="student" value={removing.id} />
      <label>
        {say.removeConfirm(name)}
        <Input class="mt-1" bind:value={typed} autocomplete="off" />
      </label>
      <div class="flex gap-2">
        <Button type="submit" color="red" disabled={typed.trim() !== name}>{say.removeNow}</Button>
        <Button color="alternative" onclick={() => (removing = undefined)}>{say.cancel}</Button>
      </div>
    </form>
  </Dialog>
{/if}
