<script lang="ts">
  import {
    BarController,
    BarElement,
    CategoryScale,
    Chart,
    Legend,
    LinearScale,
    LineController,
    LineElement,
    PointElement,
    Tooltip,
    type ChartConfiguration,
  } from 'chart.js';
  import { onMount } from 'svelte';

  interface Props {
    /** What the chart shows, in a sentence, for those who cannot see it. */
    label: string;
    config: ChartConfiguration<'bar' | 'line'>;
    heightPx?: number;
  }
  let { label, config, heightPx = 240 }: Props = $props();

  Chart.register(
    BarController,
    BarElement,
    CategoryScale,
    Legend,
    LinearScale,
    LineController,
    LineElement,
    PointElement,
    Tooltip,
  );
  Chart.defaults.font.family = "'Atkinson Hyperlegible Next', sans-serif";
  Chart.defaults.font.size = 14;
  Chart.defaults.color = '#55645f';
  Chart.defaults.borderColor = '#ddd6c7';
  Chart.defaults.animation = false;
  Chart.defaults.maintainAspectRatio = false;

  let canvas: HTMLCanvasElement;
  let chart: Chart | undefined;

  onMount(() => {
    chart = new Chart(canvas, config);
    // Words on a canvas are not drawn anew by themselves when their font arrives.
    void document.fonts.ready.then(() => chart?.update());
    return () => chart?.destroy();
  });
  $effect(() => {
    if (!chart) return;
    chart.data = config.data;
    chart.update();
  });
</script>

<!-- The canvas follows the width of what is around it only if that does not follow the canvas. -->
<div class="relative overflow-hidden" role="img" aria-label={label} style="height: {heightPx}px">
  <canvas bind:this={canvas}></canvas>
</div>
