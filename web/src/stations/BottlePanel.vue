<script setup lang="ts">
import { computed } from 'vue';
import { type BottleParams, type StationReport } from '@roskel/core';
import { plural } from '../format';
import { usePanel } from './panel';
import StationFrame from '../ui/StationFrame.vue';
import LogFields from '../ui/LogFields.vue';
import ParamField from './ParamField.vue';
import ChoiceField from '../ui/ChoiceField.vue';
import BottleShape from '../ui/BottleShape.vue';

const props = defineProps<{ station: StationReport }>();
const { batch, params, set, figure } = usePanel<BottleParams>(props);
const filled = computed(() => figure('bottles') ?? 0);
const over = computed(() => Math.round(figure('overMl') ?? 0));
const part = computed(() => Math.min(1, over.value / (figure('bottleMl') ?? 1)));
</script>

<template>
  <StationFrame :station="station" picture="On the shelf">
    <template #set>
      <ChoiceField
        label="Filling"
        :model-value="params.fill"
        :options="[
          { value: 'cold', label: 'cold, kept live' },
          { value: 'hot', label: 'hot: 82 °C for 10 min, filled hot' },
        ]"
        @update:model-value="set({ fill: $event })"
      />
      <ParamField :station="station" name="headspacePct" label="Headspace" />
      <ParamField :station="station" name="altitudeM" label="Altitude" />
      <p v-if="batch.report?.keeping" class="keep"><b>Keep:</b> {{ batch.report.keeping.text }}</p>
    </template>
    <template #measured><LogFields :station="station" :mass="false" bottles /></template>
    <template #picture>
      <div class="row">
        <BottleShape
          v-for="n in Math.min(filled, 14)"
          :key="n"
          :hex="station.now.hex"
          :fill="1"
          :live="params.fill === 'cold'"
          :size="78"
        />
        <BottleShape v-if="over > 0 && filled < 14" :hex="station.now.hex" :fill="part" :live="params.fill === 'cold'" :size="78" ghost />
      </div>
      <p>
        <b data-fact="bottles">{{ plural(filled, 'bottle') }}</b> of {{ figure('bottleMl') }} ml<template
          v-if="filled < Number(figure('wanted'))"
          >, {{ Number(figure('wanted')) - filled }} fewer than wanted</template
        >; {{ over }} ml left over.
      </p>
    </template>
  </StationFrame>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: end;
  border-bottom: 5px solid var(--rim);
  padding: 4px 4px 0;
}
.keep {
  margin: 4px 0 0;
  font-size: 14px;
  line-height: 1.35;
}
</style>
