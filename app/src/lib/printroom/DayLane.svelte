<script lang="ts">
  import { momentOf, type SchoolDay } from '$lib/shared/schoolDay';
  import { printRoomTexts as say } from '$lib/texts/printRoom';
  import { clock } from '$lib/ui/clock.svelte';
  import { clockTime } from '$lib/ui/times';
  import { namesOf } from './partsInWords';

  interface Run {
    readonly id: string;
    readonly state: string;
    readonly progress: number;
    readonly estimateS: number;
    readonly startedAt: Date;
    readonly endedAt: Date | null;
    readonly parts: readonly { readonly student: string }[];
  }
  interface Props {
    day: SchoolDay;
    runs: readonly Run[];
    /** The batches that come after, in their order. */
    planned: readonly { readonly id: string; readonly number: number; readonly seconds: number }[];
    name: string;
  }
  let { day, runs, planned, name }: Props = $props();

  const HOUR_MS = 3600_000;
  const CLEARING_MS = 5 * 60_000;
  const WIDTH = 1000;
  const HEIGHT = 46;
  /** What a letter is wide at most. */
  const LETTER = 8;

  const time = clock();
  const now = $derived(new Date(time.nowMs));
  /** From before the first lesson to after the last, and around now: the same for every printer. */
  const span = $derived({
    from: Math.min(momentOf(day[0].from, now).getTime() - HOUR_MS / 2, time.nowMs - HOUR_MS),
    to: Math.max(momentOf(day[day.length - 1].to, now).getTime() + HOUR_MS, time.nowMs + HOUR_MS),
  });
  const x = (at: Date) => (WIDTH * (at.getTime() - span.from)) / (span.to - span.from);
  const blocks = $derived(
    runs
      .filter((run) => endOf(run).getTime() > span.from)
      .map((run) => {
        const [from, to] = [run.startedAt, endOf(run)];
        return {
          run,
          from,
          to,
          left: Math.max(0, x(from)),
          width: Math.max(2, x(to) - Math.max(0, x(from))),
        };
      }),
  );
  /** Each planned batch after the one before, with time to clear the plate. */
  const plans = $derived.by(() => {
    const running = runs.find(({ endedAt }) => endedAt === null);
    let at = running ? endOf(running).getTime() : time.nowMs;
    return planned.map((batch) => {
      const from = at + CLEARING_MS;
      at = from + batch.seconds * 1000;
      const [left, right] = [x(new Date(from)), x(new Date(at))];
      return { ...batch, from: new Date(from), to: new Date(at), left, width: Math.max(2, right - left) };
    });
  });
  const tones: Record<string, string> = {
    finished: 'fill-pass-wash stroke-pass',
    failed: 'fill-fail-wash stroke-fail',
    cancelled: 'fill-ground stroke-ink-soft',
  };

  /** Whose parts a run is of, in as many words as there is room for. */
  function whose({ parts }: Run, width: number): string {
    const words = [namesOf(parts), ...(parts.length > 1 ? [say.parts(parts.length)] : [])];
    return words.find(({ length }) => LETTER * length < width) ?? '';
  }

  /** When a run ended, or will at the pace it goes. */
  function endOf({ endedAt, progress, estimateS }: Run): Date {
    return endedAt ?? new Date(time.nowMs + (1 - progress) * estimateS * 1000);
  }
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="border-hairline block w-full border-b"
  role="group"
  aria-label={say.dayLane(name)}
>
  {#each day as lesson (lesson.from)}
    <rect
      x={x(momentOf(lesson.from, now))}
      width={x(momentOf(lesson.to, now)) - x(momentOf(lesson.from, now))}
      y="0"
      height={HEIGHT}
      class="fill-ground"
    />
    <line
      x1={x(momentOf(lesson.to, now))}
      x2={x(momentOf(lesson.to, now))}
      y1="0"
      y2={HEIGHT}
      class="stroke-ink-soft"
      stroke-width="1"
      stroke-dasharray="3 3"><title>{say.bell(lesson.to)}</title></line
    >
    <text
      x={x(momentOf(lesson.to, now)) - 3}
      y="11"
      text-anchor="end"
      class="measured fill-ink-soft"
      font-size="10">{lesson.to}</text
    >
  {/each}
  {#each blocks as { run, from, to, left, width } (run.id)}
    <g>
      <title>{say.runBlock(namesOf(run.parts), clockTime(from), clockTime(to))}</title>
      <rect
        x={left}
        {width}
        y="17"
        height="22"
        rx="3"
        class={tones[run.state] ?? 'fill-primary-100 stroke-primary-700'}
        stroke-width="1"
      />
      {#if !run.endedAt}
        <rect
          x={left}
          width={Math.max(0, Math.min(width, x(now) - left))}
          y="17"
          height="22"
          rx="3"
          class="fill-primary-300"
        />
      {/if}
      <text x={left + 6} y="32" font-size="12" class="fill-ink">{whose(run, width)}</text>
    </g>
  {/each}
  {#each plans as { id, number, from, to, left, width } (id)}
    <a href="/batch/{id}" aria-label={say.planned(number, clockTime(from), clockTime(to))}>
      <title>{say.planned(number, clockTime(from), clockTime(to))}</title>
      <rect
        x={left}
        {width}
        y="17"
        height="22"
        rx="3"
        class="stroke-primary-700 fill-white"
        stroke-width="1"
        stroke-dasharray="4 2"
      />
      {#if width > LETTER * 3}
        <text x={left + 6} y="32" font-size="12" class="fill-primary-800">{number}</text>
      {/if}
    </a>
  {/each}
  <line x1={x(now)} x2={x(now)} y1="0" y2={HEIGHT} class="stroke-fail" stroke-width="2"
    ><title>{say.now}</title></line
  >
</svg>
