<script lang="ts">
  import { locale } from '@kelbrin/core/words';
  import { Button } from 'flowbite-svelte';
  import type { Planning } from '$lib/shared/planning';
  import { weekPlanTexts as say } from '$lib/texts/weekPlan';
  import { enhance } from '$lib/ui/enhance';

  /** When somebody is in the print room. */
  interface Props {
    planning: Planning;
  }
  let { planning }: Props = $props();

  /** The first of June 2026 is a Monday. */
  const nameOf = (weekday: number) =>
    new Date(2026, 5, weekday).toLocaleDateString(locale(), { weekday: 'short' });
</script>

<details class="sheet px-4 py-3">
  <summary class="cursor-pointer">{say.settings}</summary>
  <form method="POST" action="?/planning" use:enhance class="mt-2 flex flex-col items-start gap-3">
    <p class="text-ink-soft">{say.settingsWhat}</p>
    <fieldset class="flex flex-wrap gap-4">
      <legend class="mb-1">{say.weekdays}</legend>
      {#each [1, 2, 3, 4, 5, 6, 7] as weekday (weekday)}
        <label class="flex items-center gap-2"
          ><input
            type="checkbox"
            name="weekday"
            value={weekday}
            checked={planning.weekdays.includes(weekday)}
            class="rounded"
          />{nameOf(weekday)}</label
        >
      {/each}
    </fieldset>
    <label class="flex flex-col gap-1"
      >{say.until}
      <input
        type="time"
        name="until"
        value={planning.until ?? ''}
        class="border-hairline w-32 rounded"
      /></label
    >
    <label class="flex flex-col gap-1"
      >{say.freeDays}
      <textarea name="freeDays" rows="3" class="measured border-hairline w-44 rounded px-2 py-1"
        >{planning.freeDays.join('\n')}</textarea
      ></label
    >
    <label class="flex items-center gap-2"
      ><input type="checkbox" name="isAlone" checked={planning.isAloneOnFreeDays} class="rounded" />
      {say.isAlone}</label
    >
    <Button type="submit" size="xs">{say.save}</Button>
  </form>
</details>
