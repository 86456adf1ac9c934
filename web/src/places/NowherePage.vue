<script setup lang="ts">
import { RouterLink } from 'vue-router';
</script>

<template>
  <div class="page">
    <div class="head"><h1>Nothing is here</h1></div>
    <p>This address leads nowhere. <RouterLink to="/batches">Go to your batches.</RouterLink></p>
  </div>
</template>
