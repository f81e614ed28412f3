<script lang="ts">
  import type { WeekView } from '$lib/shared/weekView';
  import { weekPlanTexts as say } from '$lib/texts/weekPlan';
  import { dayAndTime, shortDay } from '$lib/ui/times';

  /** When each brief is done if all goes as planned, those first that will be late. */
  interface Props {
    outlook: WeekView['outlook'];
    /** How far the plan looks ahead, days. */
    days: number;
  }
  let { outlook, days }: Props = $props();
</script>

<h2 class="mb-2">{say.briefs}</h2>
<div class="sheet mb-6 overflow-x-auto">
  <table class="w-full text-left">
    <thead class="text-ink-soft text-sm">
      <tr class="border-hairline border-b">
        <th class="px-4 py-2 font-normal">{say.brief}</th>
        <th class="px-4 py-2 font-normal">{say.waiting}</th>
        <th class="px-4 py-2 font-normal">{say.done}</th>
        <th class="px-4 py-2 font-normal">{say.due}</th>
        <th class="px-4 py-2 font-normal"></th>
      </tr>
    </thead>
    <tbody class="divide-hairline divide-y">
      {#each outlook as { brief, title, className, parts, doneMs, dueMs, late } (brief)}
        <tr data-brief={title}>
          <td class="px-4 py-2"><strong>{title}</strong> <span class="text-ink-soft">{className}</span></td>
          <td class="px-4 py-2">{say.parts(parts)}</td>
          <td class="px-4 py-2">{doneMs === undefined ? say.never(days) : dayAndTime(new Date(doneMs))}</td>
          <td class="px-4 py-2">{dueMs === undefined ? '' : shortDay(new Date(dueMs))}</td>
          <td class="px-4 py-2">
            {#if late > 0}<span class="text-fail font-semibold">{say.late(late)}</span
              >{:else if dueMs !== undefined}<span class="text-pass">{say.inTime}</span>{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
