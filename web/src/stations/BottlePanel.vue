<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { plural, inManner } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PickField from '../ui/PickField.vue';
import BottleShape from '../ui/BottleShape.vue';

const props = defineProps<{ station: StationReport<'bottle'> }>();
const { batch, params, set, facts } = usePanel<'bottle'>(props);
const filled = computed(() => facts.value?.bottles ?? 0);
const over = computed(() => Math.round(facts.value?.overMl ?? 0));
const part = computed(() => Math.min(1, over.value / (facts.value?.bottleMl ?? 1)));
const end = computed(() => batch.report?.ends.find((e) => e.stationId === props.station.id) ?? null);
const fewer = computed(() => (facts.value ? facts.value.wanted - filled.value : 0));
</script>

<template>
  <StationFrame :station="station" picture="On the shelf">
    <template #set>
      <PickField
        label="Filling"
        :model-value="params.fill"
        :options="[
          { value: 'cold', label: 'cold, live' },
          { value: 'hot', label: 'hot-filled' },
        ]"
        @update:model-value="set({ fill: $event })"
      />
      <ParamField :station="station" name="headspacePct" label="Headspace" />
      <ParamField :station="station" name="altitudeM" label="Altitude" />
    </template>
    <template #measured
      ><LogFields :station="station" :mass="false" :bottles="facts?.possible ?? 0" :heated="params.fill === 'hot'"
    /></template>
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
        <b data-fact="bottles">{{ plural(filled, 'bottle') }}</b> of {{ end?.goal.bottleMl }} ml<template v-if="fewer > 0"
          >, {{ fewer }} fewer than wanted</template
        >; {{ over }} ml left over.
      </p>
      <p v-if="params.fill === 'hot'" class="keep">
        {{ inManner('Hot-filled: the whole sauce held at 82 °C for 10 min, and filled hot.') }}
      </p>
      <p v-if="end?.keeping" class="keep" data-fact="keep"><b>Keep:</b> {{ inManner(end.keeping.text) }}</p>
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
