<script setup lang="ts">
defineProps<{ rows: readonly (readonly [label: string, value: string])[] }>();
</script>

<template>
  <dl>
    <div v-for="[label, value] in rows" :key="label">
      <dt>{{ label }}</dt>
      <dd>{{ value }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  margin: 0;
}
div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px dashed var(--line);
}
dt {
  color: var(--ink);
}
dd {
  margin: 0;
  font-weight: 700;
  text-align: right;
}
</style>
