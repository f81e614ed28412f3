<script lang="ts">
  /** The rolls on a printer as dots in their colours, place by place; a place without one is an empty ring. */
  interface Props {
    rolls: readonly ({ readonly colour: string } | null | undefined)[];
    class?: string;
  }
  let { rolls, class: className = 'border-hairline h-3 w-3' }: Props = $props();
</script>

{#each rolls as roll, place (place)}
  <span class="shrink-0 rounded-full border {className}" style="background: {roll?.colour ?? 'transparent'}"
  ></span>
{/each}
