<script lang="ts">
  import { cssPx, type Px } from '$lib/ui/solidView/outlook';

  /** What the pointer rests on, said beside it. */
  interface Props {
    words: string;
    at: Px;
  }
  let { words, at }: Props = $props();

  const BESIDE_PX = 14;
</script>

<p
  class="border-hairline pointer-events-none absolute z-10 max-w-56 rounded border bg-white px-2 py-0.5 text-sm shadow"
  style:left={cssPx(at[0] + BESIDE_PX)}
  style:top={cssPx(at[1] + BESIDE_PX)}
  data-testid="pointed"
>
  {words}
</p>
