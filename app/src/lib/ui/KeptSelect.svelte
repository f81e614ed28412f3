<script lang="ts">
  import { select } from 'flowbite-svelte';
  import type { HTMLSelectAttributes } from 'svelte/elements';

  /**
   * A choice of a form that is kept on the server. As with a field that is typed into, what somebody chooses stays until
   * the form is sent or reset; until then it follows what is kept.
   */
  interface Props extends Omit<HTMLSelectAttributes, 'size' | 'value' | 'defaultValue' | 'class'> {
    kept: string | null;
    items: readonly { readonly value: string; readonly name: string }[];
    class?: string;
  }
  let { kept, items, class: className, ...rest }: Props = $props();

  let chosen = $state<string>();
  const look = select({ size: 'md', underline: false, grouped: false });
</script>

<select
  {...rest}
  class={look.select({ class: className })}
  defaultValue={kept}
  bind:value={() => chosen ?? kept, (value) => (chosen = value === kept ? undefined : (value ?? undefined))}
>
  {#each items as { value, name } (value)}<option {value}>{name}</option>{/each}
</select>
