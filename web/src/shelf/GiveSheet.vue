<script setup lang="ts">
import { reactive, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import { NButton, NForm } from 'naive-ui';
import type { BottlingRecord } from '@roskel/contract';
import { plural } from '../format';
import { useNotices } from '../stores/notices';
import { useShelf } from '../stores/shelf';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import TextField from '../ui/TextField.vue';
import { commitTyping } from '../ui/typing';

/** Several bottles of one bottling given away, and to whom. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ bottling: BottlingRecord }>();
const emit = defineEmits<{ given: [] }>();
const shelf = useShelf();
const notices = useNotices();
const form = reactive({ count: 1, to: '' });
watch(show, (open) => open && Object.assign(form, { count: 1, to: '' }));
const P = Type.Integer({ title: 'The number of bottles', minimum: 1, maximum: 500 });
async function give() {
  commitTyping();
  try {
    await shelf.take(props.bottling, 'given', Math.min(form.count, props.bottling.left), form.to.trim());
    show.value = false;
    emit('given');
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="`Give away: ${bottling.name}`" :width="420">
    <NForm class="form" @submit.prevent="give">
      <NumberField
        label="Bottles"
        :model-value="form.count"
        :schema="{ ...P, maximum: Math.max(1, bottling.left) }"
        @update:model-value="form.count = $event ?? 1"
      />
      <TextField v-model="form.to" label="To whom" :maxlength="60" placeholder="nobody by name" />
      <p class="soft">
        {{ plural(bottling.left, 'bottle') }} there. What is given away keeps its label: how to keep it, and until when. Who sells or gives
        widely asks the local food authority first.
      </p>
      <NButton type="primary" attr-type="submit" :disabled="bottling.left === 0">Give away</NButton>
    </NForm>
  </SheetCard>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
</style>
