<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import {
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartConfiguration,
  type Plugin,
} from 'chart.js';
import { daysSince, HOUSE_PH, LEGAL_PH, type Forecast, type Reading } from '@roskel/core';
import { colours } from '../ui/look';
import { NTable } from 'naive-ui';

Chart.register(CategoryScale, Filler, LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip);

/** Acid in the jar: the forecast as a band, readings as dots, the two lines, and the ready window as a bar. */
const props = defineProps<{
  forecast: Forecast;
  readings: readonly Reading[];
  from: string;
  todayDay: number | null;
  endPh: { day: number; pH: number } | null;
  /** The same jar begun otherwise, drawn beside it. */
  other?: Forecast | null;
}>();
const canvas = ref<HTMLCanvasElement | null>(null);
let chart: Chart | null = null;

const dots = computed(() => {
  const list = props.readings.filter((r) => r.pH !== undefined).map((r) => ({ x: daysSince(props.from, r.at), y: r.pH! }));
  if (props.endPh) list.push({ x: props.endPh.day, y: props.endPh.pH });
  return list;
});

const marks: Plugin = {
  id: 'marks',
  afterDatasetsDraw(c) {
    const { ctx, chartArea: a, scales } = c;
    const { x, y } = scales as Record<'x' | 'y', Chart['scales'][string]>;
    ctx.save();
    ctx.font = "13px 'Hanken Grotesk Variable', sans-serif";
    const rule = (pH: number, text: string, colour: string) => {
      const at = y!.getPixelForValue(pH);
      ctx.strokeStyle = colour;
      ctx.lineWidth = 1.5;
      ctx.beginPath();
      ctx.moveTo(a.left, at);
      ctx.lineTo(a.right, at);
      ctx.stroke();
      ctx.fillStyle = colours.value.soft;
      ctx.textAlign = 'right';
      ctx.fillText(text, a.right - 4, at - 4);
    };
    rule(LEGAL_PH, 'limit 4.6', colours.value.warn);
    rule(HOUSE_PH, 'safer below 4.0', colours.value.pale);
    const { from, to } = props.forecast.ready;
    if (from !== null) {
      const x0 = x!.getPixelForValue(from);
      const x1 = to === null ? a.right : x!.getPixelForValue(to);
      ctx.fillStyle = colours.value.rim;
      ctx.fillRect(x0, a.bottom - 9, Math.max(4, Math.min(a.right, x1) - x0), 6);
      ctx.fillStyle = colours.value.soft;
      ctx.textAlign = 'right';
      ctx.fillText('ready window', Math.min(a.right, Math.max(x0 + 74, a.left + 76)), a.bottom - 14);
    }
    if (props.todayDay !== null) {
      const at = x!.getPixelForValue(props.todayDay);
      ctx.setLineDash([3, 3]);
      ctx.strokeStyle = colours.value.rim;
      ctx.beginPath();
      ctx.moveTo(at, a.top);
      ctx.lineTo(at, a.bottom);
      ctx.stroke();
    }
    ctx.restore();
  },
};

function config(): ChartConfiguration {
  const f = props.forecast;
  const band = (key: 'p10' | 'p50' | 'p90') => f.days.map((d, i) => ({ x: d, y: f.pH[i]![key] }));
  return {
    type: 'line',
    data: {
      datasets: [
        { type: 'line', data: band('p90'), borderWidth: 0, pointRadius: 0, fill: '+1', backgroundColor: `${colours.value.acid}33` },
        { type: 'line', data: band('p10'), borderWidth: 0, pointRadius: 0 },
        { type: 'line', data: band('p50'), borderColor: colours.value.acid, borderWidth: 1.4, borderDash: [4, 3], pointRadius: 0 },
        ...(props.other
          ? (['p10', 'p90', 'p50'] as const).map((key) => ({
              type: 'line' as const,
              data: props.other!.days.map((d, i) => ({ x: d, y: props.other!.pH[i]![key] })),
              borderColor: colours.value.sweet,
              borderWidth: key === 'p50' ? 2 : 1,
              borderDash: key === 'p50' ? [] : [2, 3],
              pointRadius: 0,
            }))
          : []),
        { type: 'scatter', data: dots.value, backgroundColor: colours.value.acid, pointRadius: 5, order: -1 },
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      responsive: true,
      events: [],
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: Math.max(f.days.at(-1) ?? 21, ...dots.value.map((d) => Math.ceil(d.x))),
          grid: { display: false },
          ticks: { color: colours.value.soft, maxTicksLimit: 9 },
          border: { color: colours.value.line },
        },
        y: {
          // Nothing that was read falls off the chart.
          min: Math.min(3.2, ...dots.value.map((d) => Math.floor(d.y * 5) / 5 - 0.2)),
          max: Math.max(5.6, ...dots.value.map((d) => Math.ceil(d.y * 5) / 5 + 0.2)),
          grid: { color: colours.value.grid },
          ticks: { color: colours.value.soft, stepSize: 0.5 },
          border: { display: false },
        },
      },
    },
    plugins: [marks],
  };
}
function draw() {
  chart?.destroy();
  if (canvas.value) chart = new Chart(canvas.value, config());
}
onMounted(draw);
watch(() => [props.forecast, props.readings, props.endPh, props.todayDay, props.other, colours.value], draw);
onBeforeUnmount(() => chart?.destroy());
</script>

<template>
  <div class="chart">
    <canvas ref="canvas" aria-hidden="true" />
    <div class="visually-hidden">
      <NTable>
        <caption>
          pH by day: 10, 50 and 90 % of
          {{
            forecast.members
          }}
          jars like this
        </caption>
        <tbody>
          <template v-for="(d, i) in forecast.days" :key="d">
            <tr v-if="Number.isInteger(d)">
              <th>day {{ d }}</th>
              <td>{{ forecast.pH[i]!.p10.toFixed(1) }}</td>
              <td>{{ forecast.pH[i]!.p50.toFixed(1) }}</td>
              <td>{{ forecast.pH[i]!.p90.toFixed(1) }}</td>
            </tr>
          </template>
        </tbody>
      </NTable>
    </div>
  </div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 100%;
  min-height: 170px;
}
</style>
