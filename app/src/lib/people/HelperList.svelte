<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Input } from 'flowbite-svelte';
  import { people as say } from '$lib/texts/people';

  interface Props {
    helpers: readonly { readonly id: string; readonly name: string; readonly email: string }[];
    /** Who was just added, with the password if one was made. */
    added?: { readonly email: string; readonly password?: string };
  }
  let { helpers, added }: Props = $props();
</script>

<section class="sheet mt-6 flex flex-col gap-3 p-4" aria-label={say.helpers}>
  <div>
    <h2>{say.helpers}</h2>
    <p class="text-ink-soft">{say.helpersWhat}</p>
  </div>
  {#each helpers as { id, name, email } (id)}
    <form method="POST" action="?/removeHelper" class="flex items-center gap-3" use:enhance>
      <input type="hidden" name="helper" value={id} />
      <span>{name}</span>
      <span class="text-ink-soft">{email}</span>
      <Button type="submit" size="xs" color="alternative" class="ml-auto">{say.removeHelper(name)}</Button>
    </form>
  {:else}
    <p class="text-ink-soft">{say.noHelpers}</p>
  {/each}
  {#if added}
    <p role="status" class="border-pass bg-pass-wash border-l-4 px-3 py-2">
      {added.password ? say.helperPassword(added.email, added.password) : say.helperKnown(added.email)}
    </p>
  {/if}
  <form method="POST" action="?/addHelper" class="flex flex-wrap items-end gap-3" use:enhance>
    <label class="flex-1">
      {say.helperName}<Input name="name" class="mt-1" maxlength={60} autocomplete="off" />
    </label>
    <label class="flex-1">
      {say.helperEmail}<Input name="email" type="email" class="mt-1" required autocomplete="off" />
    </label>
    <Button type="submit" color="alternative">{say.addHelper}</Button>
  </form>
</section>
