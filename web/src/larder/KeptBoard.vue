<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, shallowRef, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import type { LedgerLine } from '@roskel/contract';
import { day, grams, shu } from '../format';
import { useNotices } from '../stores/notices';
import { useStored } from '../stores/stored';
import ArchiveSheet from '../house/ArchiveSheet.vue';
import LedgerList from '../ui/LedgerList.vue';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import { commitTyping } from '../ui/typing';

/** What batches left and was kept: brine, the rest of a base, bottles opened for another sauce. */
const props = defineProps<{ find: string }>();
const stored = useStored();
const notices = useNotices();
void stored.load();
const shown = computed(() => stored.items.filter((s) => s.stuff.name.toLowerCase().includes(props.find.trim().toLowerCase())));
const openId = ref<string | null>(null);
const open = computed({ get: () => openId.value !== null, set: (on) => !on && (openId.value = null) });
const item = computed(() => stored.items.find((s) => s.id === openId.value) ?? null);
const moves = shallowRef<readonly LedgerLine[]>([]);
const counted = ref<number | null>(null);
const archived = ref(false);
const STOCK = Type.Number({ title: 'The stock', minimum: 0, maximum: 200_000, unit: 'g' });
watch([item, () => item.value?.stockG], async ([s]) => {
  counted.value = s ? Math.round(s.stockG) : null;
  moves.value = s ? await stored.history(s.id).catch(() => []) : [];
});
const promised = (s: (typeof stored.items)[number]) => s.promised.reduce((g, p) => g + p.g, 0);
async function tried(act: () => Promise<unknown>) {
  try {
    await act();
  } catch (e) {
    notices.fail(e);
  }
}
/** What is there by the scale, in place of what the books say. */
function count() {
  commitTyping();
  const s = item.value!;
  const deltaG = (counted.value ?? s.stockG) - s.stockG;
  if (Math.abs(deltaG) > 0.05) void tried(() => stored.move(s, { deltaG, reason: 'counted', words: '' }));
}
function away() {
  const s = item.value!;
  open.value = false;
  void tried(() => stored.archive.put(s.id, s.stuff.name));
}
</script>

<template>
  <section v-if="stored.items.length" class="kept" aria-label="Kept of batches">
    <h2>Kept of batches <NButton text class="link" @click="archived = true">archive</NButton></h2>
    <div class="rows">
      <NButton v-for="s in shown" :key="s.id" class="thing" @click="openId = s.id">
        <i class="tint" :style="{ background: s.stuff.hex }" />
        <span>
          <b>{{ s.stuff.name }}</b>
          <span class="soft"
            >{{ grams(Math.max(0, s.stockG)) }}<template v-if="promised(s) > 0">, {{ grams(promised(s)) }} promised</template></span
          >
        </span>
      </NButton>
    </div>
    <SheetCard v-model:show="open" :title="item?.stuff.name ?? ''" :width="460">
      <template v-if="item">
        <p class="soft">
          Of {{ item.stuff.from }}, kept {{ day(item.stuff.keptOn) }}{{ item.stuff.heat ? `, about ${shu(item.stuff.heat.shu)} SHU` : '' }}.
          Keep it cold: nobody measured it, and nothing was filled hot.
        </p>
        <div class="count">
          <NumberField v-model="counted" label="There now" unit="g" :schema="STOCK" />
          <NButton type="primary" @click="count">Set it right</NButton>
          <NButton @click="away">Archive it</NButton>
        </div>
        <LedgerList :moves="moves" />
      </template>
    </SheetCard>
    <ArchiveSheet v-model:show="archived" title="Archived of what was kept" :archive="stored.archive" />
  </section>
</template>

<style scoped>
.kept h2 {
  font-size: 15px;
  margin-bottom: 4px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.thing {
  height: auto;
  min-height: 48px;
  padding: 4px 14px 4px 10px;
}
.thing :deep(.n-button__content) {
  gap: 10px;
  text-align: left;
  line-height: 1.2;
}
.thing b,
.thing .soft {
  display: block;
}
.tint {
  width: 12px;
  height: 32px;
  border-radius: 6px;
}
.count {
  display: flex;
  gap: 8px;
  align-items: end;
  margin: 8px 0;
}
p {
  margin: 0;
}
</style>
