<script setup lang="ts">
import { ref, watch } from 'vue';
import { NTabPane, NTabs } from 'naive-ui';
import type { LotHistory, PodLotRecord } from '@roskel/contract';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import LotForm from './LotForm.vue';
import LotHeat from './LotHeat.vue';
import LotStock from './LotStock.vue';
import TasteSheet from '../heat/TasteSheet.vue';
import SheetCard from '../ui/SheetCard.vue';

/** A lot of pods: what it is, what is there of it, how hot it may be and why. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ item: PodLotRecord | null; from?: string | undefined }>();
const pods = usePods();
const notices = useNotices();
const history = ref<LotHistory>({ moves: [], heat: [] });
const tab = ref('heat');
const tasting = ref(false);
/** The library's tabs are not reached by keyboard on their own. */
const reach = (name: string) => ({
  tabindex: 0,
  role: 'button',
  onKeydown: (e: KeyboardEvent) => (e.key === 'Enter' || e.key === ' ') && (tab.value = name),
});
watch(
  [show, () => props.item?.revision, () => props.item?.stockG],
  async ([open]) => {
    if (!open || !props.item) return;
    history.value = await pods.history(props.item.id).catch((e: unknown) => {
      notices.fail(e);
      return { moves: [], heat: [] };
    });
  },
  { immediate: true },
);
watch(show, (open) => {
  if (open) tab.value = 'heat';
});
</script>

<template>
  <SheetCard v-model:show="show" :title="item ? item.lot.name : 'Add a lot of pods'" :width="640">
    <LotForm v-if="!item" :item="null" :from="from" @done="show = false" />
    <NTabs v-else v-model:value="tab" type="line" animated>
      <NTabPane name="heat" tab="How hot" :tab-props="reach('heat')"
        ><LotHeat :item="item" :steps="history.heat" @taste="tasting = true"
      /></NTabPane>
      <NTabPane name="stock" tab="Stock" :tab-props="reach('stock')"
        ><LotStock :item="item" :moves="history.moves" @done="show = false"
      /></NTabPane>
      <NTabPane name="lot" tab="The lot" :tab-props="reach('lot')"><LotForm :item="item" @done="show = false" /></NTabPane>
    </NTabs>
  </SheetCard>
  <TasteSheet v-if="item" v-model:show="tasting" :subject="{ lotId: item.id, pods: 1 }" :name="item.lot.name" />
</template>
