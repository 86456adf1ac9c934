<script setup lang="ts">
import { watch } from 'vue';
import { useMessage } from 'naive-ui';
import { useNotices } from '../stores/notices';

/** Hands the messages of the stores to the library's. */
const notices = useNotices();
const message = useMessage();
watch(
  () => notices.waiting.length,
  () => {
    for (const n of notices.take()) {
      const options = { duration: n.ms, closable: true, keepAliveOnHover: true };
      if (n.kind === 'error') message.error(n.text, options);
      else message.info(n.text, options);
    }
  },
);
</script>

<template>
  <span hidden />
</template>
