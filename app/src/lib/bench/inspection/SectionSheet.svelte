<script lang="ts">
  import { extentOf } from '@kelbrin/core/plane';
  import { formatNumber } from '@kelbrin/core/recipe';
  import type { SectionView } from '@kelbrin/core/solid';
  import Dimension from '../plan/Dimension.svelte';
  import { fitted, pathOf, toPixels } from '../plan/sheet';
  import { solidTexts as say } from '$lib/texts/solidView';

  let { section, isSmall = false }: { section: SectionView; isSmall?: boolean } = $props();

  let widthPx = $state(0);
  let heightPx = $state(0);

  const range = $derived.by(() => {
    const { x, y } = extentOf(section.region);
    return { min: [x.low, y.low], max: [x.high, y.high] };
  });
  const sheet = $derived(fitted(range, widthPx, heightPx, isSmall ? 34 : 64));
  const px = $derived((point: readonly [number, number]) => toPixels(sheet, point));
  const id = $props.id();
</script>

<div class="relative h-full w-full bg-white" bind:clientWidth={widthPx} bind:clientHeight={heightPx}>
  <svg
    width={widthPx}
    height={heightPx}
    class="block"
    role="img"
    aria-label={say.section}
    data-testid="section"
  >
    <defs>
      <pattern
        id="{id}-solid"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <line x1="0" x2="0" y1="0" y2="7" stroke="var(--color-ink)" stroke-width="0.9" />
      </pattern>
      <pattern
        id="{id}-trouble"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <rect width="6" height="6" fill="var(--color-fail-wash)" />
        <line x1="0" x2="0" y1="0" y2="6" stroke="var(--color-fail)" stroke-width="2.4" />
      </pattern>
    </defs>
    {#if section.region.length > 0}
      <path
        d={pathOf(sheet, section.region)}
        fill="url(#{id}-solid)"
        fill-rule="evenodd"
        stroke="var(--color-ink)"
        stroke-width="1.2"
      />
      {#if section.hanging.length > 0}
        <path
          d={pathOf(sheet, section.hanging)}
          fill="url(#{id}-trouble)"
          fill-rule="evenodd"
          stroke="var(--color-fail)"
          stroke-width="1"
        />
      {/if}
      {#each section.thin as { from, to, mm } (`${from} ${to}`)}
        <Dimension from={px(from)} to={px(to)} {mm} tone="var(--color-fail)" />
      {/each}
      <Dimension
        from={px([range.min[0], range.min[1]])}
        to={px([range.max[0], range.min[1]])}
        mm={range.max[0] - range.min[0]}
        offPx={isSmall ? -12 : -26}
      />
      <Dimension
        from={px([range.max[0], range.min[1]])}
        to={px([range.max[0], range.max[1]])}
        mm={range.max[1] - range.min[1]}
        offPx={isSmall ? -12 : -26}
      />
    {/if}
  </svg>
  <p class="absolute top-1 left-2 rounded bg-white/85 px-1 text-sm">
    {#if section.cut.across === 'z'}
      {say.sectionAt} <span class="measured">{formatNumber(section.cut.atMm)}</span> mm
    {:else if !isSmall}
      {section.cut.across === 'y' ? say.sectionFromFront : say.sectionFromRight}
    {/if}
    {#if section.hanging.length > 0}<span class="text-fail block font-semibold">{say.unheld}</span>{/if}
    {#if section.thin.length > 0}<span class="text-fail block font-semibold">{say.tooThin}</span>{/if}
  </p>
</div>
