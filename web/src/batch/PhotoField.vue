<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue';
import { NButton, type UploadCustomRequestOptions } from 'naive-ui';
import { PHOTO_PX } from '@roskel/contract';
import { api } from '../api/client';

/** A picture of the jar: made small in the browser, kept by the kitchen. */
const photo = defineModel<string | null>({ required: true });
const props = defineProps<{ batchId: string }>();
/** Larger than the rest of the sheet: it comes with the sheet. */
const NUpload = defineAsyncComponent(async () => (await import('naive-ui/es/upload')).NUpload);
const busy = ref(false);
const refusal = ref('');
const QUALITY = 0.75;
/** A phone opens its camera. */
const INPUT = { capture: 'environment', 'aria-label': 'Picture of the jar' } as const;
const HEAD = 'data:image/jpeg;base64,';

/** A JPEG of at most PHOTO_PX on its longer side, in base64. Throws where the file is no picture that the browser can read. */
async function small(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file);
  try {
    const by = Math.min(1, PHOTO_PX / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * by));
    canvas.height = Math.max(1, Math.round(picture.height * by));
    const pen = canvas.getContext('2d')!;
    // A picture with see-through parts lies on white.
    pen.fillStyle = '#fff';
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return canvas.toDataURL('image/jpeg', QUALITY).slice(HEAD.length);
  } finally {
    picture.close();
  }
}
async function take({ file: chosen, onFinish }: UploadCustomRequestOptions) {
  const file = chosen.file;
  if (!file || busy.value) return;
  busy.value = true;
  refusal.value = '';
  try {
    const jpeg = await small(file).catch(() => null);
    if (jpeg === null) refusal.value = 'That is no picture that this browser can read. A JPEG or PNG works.';
    else photo.value = (await api.post<{ id: string }>(`/batches/${props.batchId}/photos`, { jpeg })).id;
  } catch (e) {
    refusal.value = (e as Error).message;
  } finally {
    busy.value = false;
    // Dealt with, however it went: what is not finished is handed over again with the next picture.
    onFinish();
  }
}
</script>

<template>
  <div class="photo">
    <img v-if="photo" :src="`/api/photos/${photo}`" alt="The picture that was taken" />
    <div class="acts">
      <NUpload accept="image/*" :input-props="INPUT" :show-file-list="false" :custom-request="take">
        <NButton :disabled="busy">{{ busy ? 'Making it small' : photo ? 'Another picture' : 'Add a picture' }}</NButton>
      </NUpload>
      <NButton v-if="photo" text class="link" @click="photo = null">take it away</NButton>
    </div>
    <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.photo {
  display: grid;
  margin-top: 8px;
  gap: 6px;
  justify-items: start;
}
img {
  max-width: 180px;
  max-height: 140px;
  border-radius: 10px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
p {
  margin: 0;
}
</style>
