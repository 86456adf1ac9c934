<script setup lang="ts">
import { NTable } from 'naive-ui';
import type { LineReport } from '@roskel/core';
import { grams } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { TRACKS } from './tracks';

/** The line in figures, for those who do not see the picture. */
const props = defineProps<{ report: LineReport }>();
const batch = useOpenBatch();
/** The strand that ends in bottles at a station, as facts name it. */
const endAt = (stationId: string) => {
  const end = props.report.ends.find((e) => e.stationId === stationId);
  return end && `${batch.id}/${end.strandId}`;
};
</script>

<template>
  <div class="visually-hidden">
    <NTable>
      <caption>
        The line in figures
      </caption>
      <thead>
        <tr>
          <th>Station</th>
          <th>Mass, planned and now</th>
          <th v-for="t in TRACKS" :key="t.key">{{ t.name }} {{ t.unit }}, planned, now, 10 to 90 %</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in report.stations" :key="s.id">
          <th>{{ report.strands.length > 1 ? `${report.strands.find((x) => x.id === s.strandId)!.name}: ` : '' }}{{ s.name }}</th>
          <td :data-mass="s.id">
            {{ grams(s.planned.massG) }}, <span data-fact="mass" :data-of="endAt(s.id)">{{ grams(s.now.massG) }}</span>
          </td>
          <td v-for="t in TRACKS" :key="t.key" :data-cell="`${s.id}-${t.key}`">
            <template v-if="s.now[t.key] !== null">
              {{ s.planned[t.key] === null ? '' : t.show(s.planned[t.key]!, false) }},
              <span :data-fact="t.key" :data-of="endAt(s.id)">{{ t.show(s.now[t.key]!, s.log.pH !== undefined && t.key === 'pH') }}</span>,
              <span v-if="s.band[t.key]" :data-fact="`${t.key}-band`" :data-of="endAt(s.id)"
                >{{ t.show(s.band[t.key]!.p10, false) }} to {{ t.show(s.band[t.key]!.p90, false) }}</span
              >
            </template>
          </td>
        </tr>
      </tbody>
    </NTable>
  </div>
</template>
