<script lang="ts" module>
  interface Drawing {
    readonly part: string;
    readonly made: string;
    readonly lines: string;
    readonly madeLines: string;
  }

  /** Fetched with the first list that is opened. */
  const drawings = import('./drawings.json').then(
    (read): Readonly<Record<string, Drawing>> => read.default,
    (): Readonly<Record<string, Drawing>> => ({}),
  );
</script>

<script lang="ts">
  /** What a step that is offered does, in a small drawing: the part in grey, what is made of it in green. */
  let { offer, variant }: { offer: string; variant?: string } = $props();
</script>

<svg viewBox="0 0 56 42" width="56" height="42" class="shrink-0" aria-hidden="true">
  {#await drawings then read}
    {@const drawing = read[`${offer} ${variant}`] ?? read[offer]}
    {#if drawing}
      <path d={drawing.part} fill="var(--color-primary-50)" fill-rule="evenodd" />
      <path d={drawing.made} fill="var(--color-primary-200)" fill-rule="evenodd" />
      <path d={drawing.lines} fill="none" stroke="var(--color-ink-soft)" stroke-width="0.8" />
      <path d={drawing.madeLines} fill="none" stroke="var(--color-primary-700)" />
    {/if}
  {/await}
</svg>
