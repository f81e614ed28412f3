<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import { people as say } from '$lib/texts/people';

  interface Props {
    /** Names, and perhaps the whole class, for which there were too many wrong tries. */
    shut: { readonly names: readonly string[]; readonly isClass: boolean };
  }
  let { shut }: Props = $props();
</script>

{#if shut.isClass || shut.names.length > 0}
  <form
    method="POST"
    action="?/unlock"
    use:enhance
    class="border-warn bg-warn-wash mb-4 flex items-center gap-4 border-l-4 px-3 py-2"
  >
    <div role="status">
      {#if shut.isClass}<p>{say.shutClass}</p>{/if}
      {#if shut.names.length > 0}<p>{say.shutNames(shut.names)}</p>{/if}
    </div>
    <Button type="submit" size="xs" color="alternative" class="ml-auto shrink-0">{say.unlock}</Button>
  </form>
{/if}
