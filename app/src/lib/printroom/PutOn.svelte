<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { enhance } from '$lib/ui/enhance';
  import Menu from '$lib/ui/Menu.svelte';
  import { spoolTexts as say } from '$lib/texts/spools';

  /** Puts a roll on a printer: a button for each place, or a menu of them where there are many. */
  interface Props {
    spool: { readonly id: string; readonly number: number };
    places: readonly {
      readonly id: string;
      readonly name: string;
      /** Left out of printers that have one place. */
      readonly place?: number;
      readonly isBusy: boolean;
    }[];
  }
  let { spool, places }: Props = $props();

  const MOST_BUTTONS = 3;
</script>

{#snippet putOn({ id, name, place, isBusy }: Props['places'][number], isRow: boolean)}
  <form method="POST" action="?/load" use:enhance>
    <input type="hidden" name="spool" value={spool.id} />
    <input type="hidden" name="printer" value={id} />
    {#if place !== undefined}<input type="hidden" name="place" value={place} />{/if}
    <Button
      type="submit"
      size="xs"
      color="alternative"
      class={isRow ? 'w-full justify-start border-0' : ''}
      disabled={isBusy}
      title={isBusy ? say.isPrinting(name) : undefined}>{say.load(name, place)}</Button
    >
  </form>
{/snippet}

{#if places.length <= MOST_BUTTONS}
  <span class="flex flex-wrap justify-end gap-2">
    {#each places as each (`${each.id} ${each.place}`)}{@render putOn(each, false)}{/each}
  </span>
{:else}
  <Menu
    words={say.putOn}
    label={say.putOnNamed(spool.number)}
    color="alternative"
    class="max-h-72 w-64 overflow-y-auto"
  >
    {#each places as each (`${each.id} ${each.place}`)}
      <li class="list-none">{@render putOn(each, true)}</li>
    {/each}
  </Menu>
{/if}
