<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router';
import type { StationReport } from '@roskel/core';
import StationSheet from '../batch/StationSheet.vue';
import RoundList from '../trim/RoundList.vue';

const props = defineProps<{ station: StationReport<'trim'> }>();
const route = useRoute();
const to = () => ({ name: 'trim', params: { id: String(route.params.id), station: props.station.id } });
</script>

<template>
  <StationSheet :station="station">
    <RouterLink class="act" :to="to()">Taste and put right</RouterLink>
    <p class="soft">Too hot, flat, thin, salty: say it, and the least that helps is worked out in spoons.</p>
    <RoundList v-if="station.log.rounds?.length" :station-id="station.id" />
    <p v-else class="soft">Not tasted yet. Read the pH after the last round: whatever was read before does not count any more.</p>
  </StationSheet>
</template>
