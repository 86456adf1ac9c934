<script setup lang="ts">
import type { BatchRecord } from '@roskel/contract';
import { useShortReport } from '../worker/reports';

/** Bottled heat counted as quoted: what is stored counts dry matter, so it is worked out anew from the batch. */
const props = defineProps<{ batch: BatchRecord; say: (heat: { p10: number; p50: number; p90: number }) => string }>();
const short = useShortReport(() => props.batch);
</script>

<template>{{ short?.report ? say(short.report.heat) : 'working it out' }}</template>
