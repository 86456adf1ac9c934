import type { Component } from 'vue';
import { IconAlertOctagon, IconAlertTriangle, IconInfoCircle } from '@tabler/icons-vue';
import type { Severity } from '@roskel/core';

/** How a caution is marked: by shape and word, not by colour alone. */
export const SEVERITY: Readonly<Record<Severity, { word: string; icon: Component }>> = {
  danger: { word: 'Danger', icon: IconAlertOctagon },
  caution: { word: 'Caution', icon: IconAlertTriangle },
  note: { word: 'Note', icon: IconInfoCircle },
};
