<script lang="ts">
  import type { SupportMark } from '@kelbrin/core/inspect';
  import type { Vec3 } from '@kelbrin/core/mesh';
  import { Button } from 'flowbite-svelte';
  import { reviewTexts as say } from '$lib/texts/review';
  import { withMark } from './withMark';

  /** The faces that supports keep away from, or hold, and how more of them are marked. */
  interface Props {
    marks: readonly SupportMark[];
    /** What is asked of the face that is pressed next. */
    wish: SupportMark['wish'] | undefined;
    /** The place of the finding that is chosen, which can be marked without pressing it. */
    place: Vec3 | undefined;
    /** Left out where nothing can be changed now. */
    change: ((marks: readonly SupportMark[]) => void) | undefined;
  }
  let { marks, wish = $bindable(), place, change }: Props = $props();

  const wishes = ['free', 'hold'] as const;

  function ask(next: SupportMark['wish']): void {
    if (place) change?.(withMark(marks, place, next));
    else wish = wish === next ? undefined : next;
  }
</script>

<section class="border-hairline flex flex-col gap-1 border-b pb-3 text-sm" aria-label={say.supports}>
  <div class="flex items-center gap-2">
    <h3 class="mr-auto font-semibold">{say.supports}</h3>
    {#if change}
      {#each wishes as each (each)}
        <Button
          size="xs"
          color={wish === each ? 'primary' : 'alternative'}
          title={say.wishesWhy[each]}
          aria-pressed={wish === each}
          onclick={() => ask(each)}>{say.wishes[each]}</Button
        >
      {/each}
    {/if}
  </div>
  <p class="text-ink-soft" role="status">
    {change ? (wish ? say.pressFace : place ? say.markChosen : '') : ''}
  </p>
  <ul>
    {#each marks as mark, i (i)}
      <li class="flex items-baseline gap-2">
        {say.marked[mark.wish]}
        <span class="measured text-ink-soft">{mark.at.map((mm) => mm.toFixed(0)).join(' · ')} mm</span>
        {#if change}
          <button
            type="button"
            class="text-primary-800 ml-auto underline underline-offset-2"
            aria-label={say.unmark(i + 1)}
            onclick={() => change(marks.toSpliced(i, 1))}>{say.takeMarkOff}</button
          >
        {/if}
      </li>
    {/each}
  </ul>
</section>
