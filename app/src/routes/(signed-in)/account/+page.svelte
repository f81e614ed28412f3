<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import { dayAndTime } from '$lib/ui/times';
  import { deviceWords } from '$lib/ui/deviceWords';
  import { accountTexts as say } from '$lib/texts/account';

  let { data, form } = $props();

  const who = $derived(data.person!.role === 'student' ? 'student' : 'staff');
  const field = $derived(
    who === 'student'
      ? ({ inputmode: 'numeric', maxlength: 9, class: 'measured mt-1' } as const)
      : ({ maxlength: 128, class: 'mt-1' } as const),
  );
</script>

<svelte:head><title>{say.title} · Kelbrin</title></svelte:head>

<main class="mx-auto w-full max-w-3xl p-6">
  <h1 class="mb-4">{say.title}</h1>
  <form method="POST" action="?/password" use:enhance class="sheet mb-6 flex max-w-md flex-col gap-4 p-4">
    <h2>{say.change[who]}</h2>
    {#if form && 'message' in form}<p role="alert" class="text-fail">{form.message}</p>{/if}
    {#if form && 'changed' in form}<p role="status" class="text-pass">{say.changed}</p>{/if}
    <Label
      >{say.before[who]}
      <Input name="before" type="password" autocomplete="current-password" required {...field} /></Label
    >
    <Label
      >{say.next[who]}
      <Input name="next" type="password" autocomplete="new-password" required {...field} /></Label
    >
    <Button type="submit" class="self-start">{say.save}</Button>
  </form>
  <section class="sheet p-4" aria-label={say.where}>
    <h2 class="mb-2">{say.where}</h2>
    <ul class="divide-hairline divide-y">
      {#each data.sessions as { id, device, since, usedAt, isHere } (id)}
        {@const words = deviceWords(device) ?? say.unknown}
        <li class="flex flex-wrap items-center gap-3 py-2">
          <span class="font-semibold">{words}</span>
          <span class="text-ink-soft text-sm"
            >{say.since(dayAndTime(since))}, {say.used(dayAndTime(usedAt))}</span
          >
          {#if isHere}<span class="text-pass ml-auto">{say.here}</span>
          {:else}
            <form method="POST" action="?/end" use:enhance class="ml-auto">
              <input type="hidden" name="session" value={id} />
              <Button type="submit" size="xs" color="alternative" aria-label={say.endNamed(words)}
                >{say.end}</Button
              >
            </form>
          {/if}
        </li>
      {/each}
    </ul>
    {#if data.sessions.length > 1}
      <form method="POST" action="?/endOthers" use:enhance class="mt-3">
        <Button type="submit" size="sm" color="alternative">{say.endOthers}</Button>
      </form>
    {/if}
  </section>
</main>
