<script lang="ts">
  import { select } from 'flowbite-svelte';
  import type { HTMLSelectAttributes } from 'svelte/elements';

  /** A choice of a form that is kept on the server. What somebody chooses stays, as with a field that is typed into. */
  interface Props extends Omit<HTMLSelectAttributes, 'size' | 'value' | 'defaultValue' | 'class'> {
    kept: string | null;
    items: readonly { readonly value: string; readonly name: string }[];
    class?: string;
  }
  let { kept, items, class: className, ...rest }: Props = $props();

  const look = select({ size: 'md', underline: false, grouped: false });
</script>

<select {...rest} class={look.select({ class: className })} defaultValue={kept}>
  {#each items as { value, name } (value)}<option {value}>{name}</option>{/each}
</select>
