<script lang="ts">
  import { TREND_S, type Trend } from '$lib/shared/trend';
  import { printRoomTexts as say } from '$lib/texts/printRoom';

  /** How warm nozzle and plate of a printer were over the last ten minutes. */
  let { trend }: { trend: Trend } = $props();

  const WIDTH = 160;
  const HEIGHT = 36;
  const ROOM_C = 20;
  const last = $derived(trend.at(-1)!);
  const topC = $derived(Math.max(60, ...trend.map(({ nozzleC, bedC }) => Math.max(nozzleC, bedC))));
  const lineOf = (figure: 'nozzleC' | 'bedC') =>
    trend
      .map(({ atS, [figure]: c }) => {
        const x = WIDTH * (1 - (last.atS - atS) / TREND_S);
        const y = HEIGHT - 1 - ((HEIGHT - 2) * Math.max(0, c - ROOM_C)) / (topC - ROOM_C);
        return `${x.toFixed(1)},${y.toFixed(1)}`;
      })
      .join(' ');
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  width={WIDTH}
  height={HEIGHT}
  role="img"
  aria-label={say.trend(trend[0].nozzleC, last.nozzleC, trend[0].bedC, last.bedC)}
>
  <title>{say.trend(trend[0].nozzleC, last.nozzleC, trend[0].bedC, last.bedC)}</title>
  <line x1="0" x2={WIDTH} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} stroke="var(--color-hairline)" />
  <polyline points={lineOf('bedC')} fill="none" stroke="#8FA09D" stroke-width="1.5" />
  <polyline points={lineOf('nozzleC')} fill="none" stroke="var(--color-primary-700)" stroke-width="1.5" />
</svg>
