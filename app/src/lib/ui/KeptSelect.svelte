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
    /** What is chosen that is not kept yet. */
    chosen?: string | undefined;
  }
  let { kept, items, class: className, chosen = $bindable(), ...rest }: Props = $props();

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
