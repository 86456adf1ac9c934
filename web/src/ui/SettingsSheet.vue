<script setup lang="ts">
import { NModal } from 'naive-ui';
import { KITCHENS, VOLUMES_ML, type Kitchen } from '@roskel/core';
import { useSettings } from '../stores/settings';
import { useNotices } from '../stores/notices';

const show = defineModel<boolean>('show', { required: true });
const settings = useSettings();
const notices = useNotices();
const NAMES: Record<Kitchen, string> = { metric: 'Metric', us: 'United States', au: 'Australia', uk: 'United Kingdom' };

async function choose(kitchen: Kitchen) {
  try {
    await settings.save({ ...settings.value, kitchen });
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Your kitchen" style="width: 480px; max-width: 94vw">
    <p class="soft">Which spoons and cups do you mean? Everything typed in spoons or cups is read this way.</p>
    <fieldset>
      <legend class="visually-hidden">Spoons and cups</legend>
      <label v-for="k in KITCHENS" :key="k" :class="{ on: settings.value.kitchen === k }">
        <input type="radio" name="kitchen" :checked="settings.value.kitchen === k" @change="choose(k)" />
        <b>{{ NAMES[k] }}</b>
        <span class="soft">tablespoon {{ VOLUMES_ML[k].tbsp.toFixed(1) }} ml, cup {{ VOLUMES_ML[k].cup.toFixed(0) }} ml</span>
      </label>
    </fieldset>
    <p class="soft">
      Heat is counted on dry matter: a fresh pod is mostly water, so its heat in the sauce is a fifth to a fifteenth of the number quoted
      for the variety.
    </p>
  </NModal>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
label {
  display: grid;
  grid-template-columns: 24px 130px 1fr;
  align-items: center;
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  cursor: pointer;
}
label.on {
  border-color: var(--rim);
  background: var(--active);
}
</style>
