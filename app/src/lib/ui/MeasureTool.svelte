<script lang="ts">
  import Ruler from '@lucide/svelte/icons/ruler';
  import type { Snippet } from 'svelte';
  import { solidTexts as say } from '$lib/texts/solidView';

  interface Props {
    isOn: boolean;
    ontoggle(): void;
    /** What is measured, or how to. */
    children?: Snippet;
  }
  let { isOn, ontoggle, children }: Props = $props();
</script>

<button
  type="button"
  class="border-hairline flex items-center gap-1.5 rounded border px-2.5 py-1 text-sm {isOn
    ? 'bg-primary-700 text-white'
    : 'hover:bg-primary-50 bg-white'}"
  aria-pressed={isOn}
  onclick={ontoggle}
>
  <Ruler size={14} aria-hidden="true" />{say.measure}
</button>
{#if isOn && children}
  <p class="border-hairline max-w-56 rounded border bg-white px-2.5 py-1 text-sm" role="status">
    {@render children()}
  </p>
{/if}
