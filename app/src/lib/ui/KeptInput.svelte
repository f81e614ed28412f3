<script lang="ts">
  import { input } from 'flowbite-svelte';
  import type { HTMLInputAttributes } from 'svelte/elements';

  /**
   * A field of a form for something that is kept on the server. It follows what is kept until somebody types into it; from
   * then on what is typed stays, whatever news come, until the form is sent or reset.
   */
  interface Props extends Omit<HTMLInputAttributes, 'size' | 'value' | 'defaultValue' | 'class'> {
    kept: string | number;
    class?: string;
  }
  let { kept, class: className, ...rest }: Props = $props();

  const look = input({ size: 'md', color: 'default', grouped: false });
</script>

<input {...rest} class={look.input({ class: className })} defaultValue={kept} />
