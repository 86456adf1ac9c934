<script setup lang="ts">
import { onMounted } from 'vue';
import { FORM_NAMES } from '@roskel/core';
import type { Subject } from './useSubject';

/** Chooses what is tested: a sauce on the shelf, a lot of pods, or something else. */
const props = defineProps<{ about: Subject; label?: boolean }>();
const chosen = defineModel<string>({ required: true });
onMounted(() => void props.about.load());
</script>

<template>
  <label class="field">
    <span>Test</span>
    <select v-model="chosen" data-first class="entry">
      <option value="" disabled>Choose</option>
      <optgroup label="On the shelf">
        <option v-for="b in about.bottlings.value" :key="b.id" :value="`batch:${b.batchId}`">{{ b.name }}</option>
      </optgroup>
      <optgroup label="A lot of pods">
        <option v-for="p in about.lots.value" :key="p.id" :value="`lot:${p.id}`">{{ p.lot.name }}, {{ FORM_NAMES[p.lot.form] }}</option>
      </optgroup>
      <option value="other">Something else</option>
      <option v-if="label" value="label">A sauce with its heat on the label, to learn our threshold</option>
    </select>
  </label>
</template>
