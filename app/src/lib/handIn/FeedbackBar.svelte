<script lang="ts">
  import type { Recipe } from '@kelbrin/core/recipe';
  import RemarkList from '$lib/review/RemarkList.svelte';
  import type { Remark } from '$lib/review/remarkPlaces';
  import WaiverList from '$lib/review/WaiverList.svelte';
  import { handInTexts as say } from '$lib/texts/handIn';
  import type { ComponentProps } from 'svelte';

  interface Props {
    isSentBack: boolean;
    /** What the part that was handed in is called. */
    part: string;
    /** Shows that part, where another one is shown. */
    onshow?(): void;
    comment?: string;
    remarks: readonly Remark[];
    waivers: ComponentProps<typeof WaiverList>['waivers'];
    /** The recipe as it was handed in, whose steps the remarks stand at. */
    recipe: Recipe;
    onmark(stepId: string): void;
  }
  let { isSentBack, part, onshow, comment, remarks, waivers, recipe, onmark }: Props = $props();
</script>

{#if isSentBack && (comment || remarks.length > 0)}
  <div class="border-warn bg-warn-wash border-b px-4 py-2" data-testid="comment">
    <p>
      <strong>{say.sentBack(part)}</strong>
      {comment ?? say.toMend}
      {#if onshow}<button class="text-primary-800 underline underline-offset-2" onclick={onshow}
          >{say.showPart}</button
        >{/if}
    </p>
    {#if remarks.length > 0}
      <div class="mt-1 max-h-32 overflow-y-auto"><RemarkList {remarks} {recipe} {onmark} /></div>
    {/if}
  </div>
{:else if waivers.length > 0}
  <div class="border-hairline border-b bg-white px-4 py-2">
    <p>{say.approvedWith}</p>
    <WaiverList {waivers} />
  </div>
{/if}
