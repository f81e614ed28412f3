<script lang="ts">
  import { enhance } from '$lib/ui/enhance';
  import { Button, Textarea } from 'flowbite-svelte';
  import type { Recipe } from '@kelbrin/core/recipe';
  import type { Pointer } from '$lib/shared/company';
  import { companyTexts as say } from '$lib/texts/company';

  interface Props {
    recipe: Recipe;
    /** The step that is marked, at which is pointed unless a place was pressed. */
    marked?: string;
    place?: readonly [number, number, number];
    /** Whether the next press on the solid is the place. */
    isPlacing: boolean;
    /** What is pointed at now. */
    pointer?: Pointer;
    /** What is wrong with what was sent. */
    message?: string;
    ondone(): void;
  }
  let { recipe, marked, place, isPlacing = $bindable(), pointer, message, ondone }: Props = $props();

  const number = $derived(recipe.steps.findIndex(({ id }) => id === marked) + 1);
  const anchor = $derived(place ? { at: place } : number > 0 ? { step: marked } : undefined);
</script>

<section class="border-hairline border-t p-3 text-sm" aria-label={say.point}>
  <h2 class="font-semibold">{say.point}</h2>
  {#if pointer}
    <form method="POST" action="?/unpoint" use:enhance class="my-1 flex items-start gap-2">
      <p class="border-warn bg-warn-wash flex-1 border-l-4 px-2 py-1">{say.pointed(pointer.words)}</p>
      <Button type="submit" size="xs" color="alternative">{say.takeBack}</Button>
    </form>
  {/if}
  <form
    method="POST"
    action="?/point"
    use:enhance={() =>
      async ({ update, result }) => {
        await update({ reset: result.type === 'success' });
        if (result.type === 'success') ondone();
      }}
    class="flex flex-col gap-2"
  >
    <p class="text-ink-soft">
      {place ? say.atPlacePressed : number > 0 ? say.atSentence(number) : say.pointHow}
    </p>
    <input type="hidden" name="anchor" value={JSON.stringify(anchor ?? null)} />
    <Textarea
      name="words"
      rows={2}
      maxlength={200}
      class="w-full"
      aria-label={say.words}
      placeholder={say.words}
    />
    {#if message}<p role="alert" class="text-fail">{message}</p>{/if}
    <div class="flex flex-wrap gap-2">
      <Button type="submit" size="xs" disabled={!anchor}>{say.send}</Button>
      <Button size="xs" color="alternative" aria-pressed={isPlacing} onclick={() => (isPlacing = !isPlacing)}
        >{isPlacing ? say.pickingPlace : say.pickPlace}</Button
      >
    </div>
  </form>
</section>
