<script setup lang="ts">
import { computed, reactive, watch } from 'vue';
import { NButton } from 'naive-ui';
import { capital } from '../format';
import RadioCards from './RadioCards.vue';
import SheetCard from './SheetCard.vue';

/** What two windows changed, each otherwise: both values stand there, and the maker says which goes on. */
const props = defineProps<{ show: boolean; clashes: readonly { key: string; title: string; mine: string; theirs: string }[] }>();
const emit = defineEmits<{ settle: [keysOfMine: string[]] }>();
const choices = reactive<Record<string, 'mine' | 'theirs' | null>>({});
watch(
  () => props.clashes,
  (list) => list.forEach((c) => (choices[c.key] ??= null)),
  { immediate: true },
);
const open = computed(() => props.clashes.some((c) => !choices[c.key]));
function settle() {
  const mine = props.clashes.filter((c) => choices[c.key] === 'mine').map((c) => c.key);
  for (const key of Object.keys(choices)) choices[key] = null;
  emit('settle', mine);
}
</script>

<template>
  <SheetCard :show="show" title="Changed in two windows" :width="560" must>
    <p>Both windows changed the same thing. Nothing is lost: say which one goes on. All other changes are together already.</p>
    <section v-for="c in clashes" :key="c.key" class="clash">
      <h3>{{ capital(c.title) }}</h3>
      <RadioCards
        v-model="choices[c.key]!"
        :label="c.title"
        :columns="2"
        :options="[
          { value: 'mine', title: c.mine, says: 'typed here' },
          { value: 'theirs', title: c.theirs, says: 'from the other window' },
        ]"
      />
    </section>
    <NButton type="primary" :disabled="open" @click="settle">Go on with these</NButton>
  </SheetCard>
</template>

<style scoped>
.clash {
  margin: 10px 0 14px;
}
h3 {
  font-size: 15px;
  margin-bottom: 6px;
}
</style>
