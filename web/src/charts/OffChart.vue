<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  PointElement,
  ScatterController,
  type ChartConfiguration,
} from 'chart.js';
import { isInside, offOf, SCORED, type ScoreRow } from '@roskel/core';
import { day } from '../format';
import { colours } from '../ui/look';

/** Words in it look like those beside it. */
Chart.defaults.font.family = "'Hanken Grotesk Variable', sans-serif";
Chart.register(BarController, BarElement, CategoryScale, LinearScale, PointElement, ScatterController);

/** What was measured against the band that was foretold of it, about the middle of that; oldest on the left, all of one kind. */
const props = defineProps<{ rows: readonly ScoreRow[] }>();
const canvas = ref<HTMLCanvasElement | null>(null);
let chart: Chart | null = null;
/** In percent where it is a share. */
const scale = (r: ScoreRow) => (SCORED[r.of].relative ? 100 : 1);

function config(): ChartConfiguration<'bar' | 'scatter'> {
  const rows = [...props.rows].reverse();
  const { unit, relative } = SCORED[rows[0]!.of];
  const off = (r: ScoreRow, value: number) => offOf(r, value) * scale(r);
  const c = colours.value;
  return {
    type: 'bar',
    data: {
      labels: rows.map((r) => day(r.on)),
      datasets: [
        {
          type: 'bar',
          data: rows.map((r) => [off(r, r.p10), off(r, r.p90)] as [number, number]),
          backgroundColor: `${c.acid}44`,
          borderSkipped: false,
          barPercentage: 0.7,
          categoryPercentage: 0.9,
          maxBarThickness: 34,
        },
        {
          type: 'scatter',
          data: rows.map((r, x) => ({ x, y: off(r, r.measured) })),
          pointRadius: 5,
          // What lay outside has another shape too.
          pointStyle: rows.map((r) => (isInside(r) ? 'circle' : 'rectRot')),
          backgroundColor: rows.map((r) => (isInside(r) ? c.acid : c.warn)),
        },
      ],
    } as ChartConfiguration<'bar' | 'scatter'>['data'],
    options: {
      animation: false,
      maintainAspectRatio: false,
      responsive: true,
      events: [],
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
      scales: {
        x: {
          grid: { display: false },
          ticks: { color: c.soft, maxRotation: 0, autoSkip: true, autoSkipPadding: 12 },
          border: { color: c.line },
        },
        y: {
          grid: { color: (at) => (at.tick.value === 0 ? c.rim : c.grid) },
          ticks: { color: c.soft, maxTicksLimit: 7 },
          border: { display: false },
          title: { display: true, color: c.soft, text: `off the middle, ${relative ? '%' : unit || 'pH'}` },
        },
      },
    },
  };
}
function draw() {
  chart?.destroy();
  chart = canvas.value && props.rows.length > 0 ? new Chart(canvas.value, config() as ChartConfiguration) : null;
}
onMounted(draw);
watch(() => [props.rows, colours.value], draw);
onBeforeUnmount(() => chart?.destroy());
</script>

<template>
  <div class="chart"><canvas ref="canvas" aria-hidden="true" /></div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 250px;
}
</style>
