<script lang="ts">
  import { colourName, type ColourClash } from '@kelbrin/core/colours';
  import { batchTexts as say } from '$lib/texts/batch';

  /** Which parts of a batch want different colours at one height. */
  interface Props {
    clash: ColourClash;
    names: readonly string[];
  }
  let { clash, names }: Props = $props();

  const sides = $derived(
    ([0, 1] as const).map((i) => [names[clash.parts[i]], colourName(clash.colours[i])] as const),
  );
</script>

<p role="alert" class="border-warn bg-warn-wash border-l-4 px-3 py-2">
  {say.coloursClash(sides[0], sides[1], clash.atMm)}
</p>
