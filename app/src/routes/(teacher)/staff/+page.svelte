<script lang="ts">
  import { Button, Select } from 'flowbite-svelte';
  import KeptSelect from '$lib/ui/KeptSelect.svelte';
  import AskFirst from '$lib/ui/AskFirst.svelte';
  import { enhance } from '$lib/ui/enhance';
  import { staffTexts as say } from '$lib/texts/staff';

  let { data, form } = $props();

  let role = $state<'teacher' | 'helper'>('teacher');
  // What is shown once stays, whatever else is done meanwhile.
  let link = $state<string>();
  $effect(() => {
    if (form && 'link' in form && form.link) ({ link } = form);
  });
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-4xl p-6">
  <h1 class="mb-1">{say.title}</h1>
  <p class="text-ink-soft mb-4">{say.what}</p>
  {#if form && 'message' in form}
    <p role="alert" class="border-fail bg-fail-wash mb-4 border-l-4 px-3 py-2">{form.message}</p>
  {/if}
  {#if link}
    <p role="status" class="border-pass bg-pass-wash mb-4 border-l-4 px-3 py-2 break-all">{say.link(link)}</p>
  {/if}
  <ul class="sheet divide-hairline mb-6 divide-y">
    {#each data.staff as { id, name, email, role, disabledAt, classes, sessions } (id)}
      <li class="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3" aria-label={name}>
        <div class="min-w-60 flex-1">
          <strong>{name}</strong>
          {#if id === data.person?.id}<span class="text-ink-soft">({say.you})</span>{/if}
          <span class="text-ink-soft block text-sm"
            >{role === 'teacher' ? say.teacher : say.helper}, {say.of(classes)} · {email}</span
          >
        </div>
        <span class={disabledAt ? 'text-warn-ink' : 'text-ink-soft'}
          >{disabledAt ? say.closed : say.signedIn(sessions)}</span
        >
        {#if disabledAt}
          <form method="POST" action="?/open" use:enhance>
            <input type="hidden" name="person" value={id} />
            <Button type="submit" size="xs" color="alternative" aria-label={say.openNamed(name)}
              >{say.open}</Button
            >
          </form>
        {:else if id !== data.person?.id}
          <form method="POST" action="?/reset" use:enhance>
            <input type="hidden" name="person" value={id} />
            <Button type="submit" size="xs" color="alternative" aria-label={say.resetNamed(name)}
              >{say.reset}</Button
            >
          </form>
          <AskFirst
            label={say.close}
            name={say.closeNamed(name)}
            title={say.closeTitle(name)}
            what={say.closeWhat(name)}
            action="?/close"
            fields={{ person: id }}
          />
        {/if}
      </li>
    {/each}
  </ul>
  <form method="POST" action="?/invite" use:enhance class="sheet flex flex-col gap-3 p-4">
    <div>
      <h2>{say.invite}</h2>
      <p class="text-ink-soft">{say.inviteWhat(data.hours)}</p>
    </div>
    <div class="flex flex-wrap items-end gap-3">
      <label
        >{say.as}
        <Select
          name="role"
          class="mt-1 w-40"
          placeholder=""
          bind:value={role}
          items={[
            { value: 'teacher', name: say.teacher },
            { value: 'helper', name: say.helper },
          ]}
        />
      </label>
      {#if role === 'helper'}
        <label
          >{say.ofClass}
          <KeptSelect
            name="class"
            class="mt-1 w-60"
            kept={data.classes[0]?.id ?? null}
            items={data.classes.map(({ id, name }) => ({ value: id, name }))}
          />
        </label>
      {/if}
      <Button type="submit" color="alternative">{say.make}</Button>
    </div>
  </form>
</main>
