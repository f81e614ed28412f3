<script lang="ts">
  import type { Px } from '$lib/ui/solidView/outlook';

  /** What the pointer rests on, said beside it. */
  interface Props {
    words: string;
    at: Px;
  }
  let { words, at }: Props = $props();
</script>

<p
  class="border-hairline pointer-events-none absolute z-10 max-w-56 rounded border bg-white px-2 py-0.5 text-sm shadow"
  style:left="{at[0] + 14}px"
  style:top="{at[1] + 14}px"
  data-testid="pointed"
>
  {words}
</p>
