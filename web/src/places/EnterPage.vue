<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api, ApiProblem } from '../api/client';
import TextField from '../ui/TextField.vue';

/** Where somebody in the house says the passphrase. */
const route = useRoute();
const passphrase = ref('');
const refusal = ref('');
const busy = ref(false);
/** Back to where one wanted to be, within the house only. */
const to = () => {
  const wanted = String(route.query.to ?? '/');
  return wanted.startsWith('/') && !wanted.startsWith('//') ? wanted : '/';
};
onMounted(() => document.querySelector<HTMLInputElement>('.enter input')?.focus());
async function enter() {
  if (busy.value) return;
  busy.value = true;
  refusal.value = '';
  try {
    await api.post('/enter', { passphrase: passphrase.value });
    // Anew: what the page could not read before, it reads now.
    location.assign(to());
  } catch (e) {
    refusal.value = e instanceof ApiProblem ? e.problem.detail : (e as Error).message;
    passphrase.value = '';
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page enter">
    <section class="plate" aria-label="Come in">
      <h1>Say the passphrase</h1>
      <p class="soft">Whoever cooks in this kitchen knows it.</p>
      <NForm @submit.prevent="enter">
        <TextField v-model="passphrase" label="Passphrase" secret :maxlength="200" />
        <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
        <NButton type="primary" attr-type="submit" :disabled="busy || passphrase === ''">{{ busy ? 'Looking' : 'Come in' }}</NButton>
      </NForm>
    </section>
  </div>
</template>

<style scoped>
.enter {
  display: grid;
  place-items: center;
}
.plate {
  width: min(100%, 420px);
  padding: 22px 26px 26px;
}
.field-error {
  margin: 8px 0 0;
}
.n-button {
  margin-top: 14px;
}
</style>
