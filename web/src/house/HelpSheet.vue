<script setup lang="ts">
import { computed } from 'vue';
import { keysNow } from '../ui/keys';
import SheetCard from '../ui/SheetCard.vue';

const show = defineModel<boolean>('show', { required: true });
const groups = computed(() => (show.value ? keysNow() : []));
const face = (k: string) => k.replace('ctrl+', 'Ctrl ').replace('shift+', 'Shift ').toUpperCase();
</script>

<template>
  <SheetCard v-model:show="show" title="Keys" :width="460">
    <section v-for="g in groups" :key="g.where">
      <h2>{{ g.where }}</h2>
      <dl>
        <template v-for="k in g.keys" :key="k.key">
          <dt>
            <kbd>{{ face(k.key) }}</kbd>
          </dt>
          <dd>{{ k.says }}</dd>
        </template>
      </dl>
    </section>
  </SheetCard>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 6px 12px;
  margin: 8px 0 16px;
}
dd {
  margin: 0;
}
kbd {
  border: 1.5px solid var(--rim);
  border-radius: 6px;
  padding: 1px 8px;
  font:
    600 13px 'Hanken Grotesk Variable',
    sans-serif;
}
</style>
