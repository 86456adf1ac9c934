import { shallowReactive, watch } from 'vue';
import type { BatchRecord } from '@roskel/contract';
import { countedIn, type LineReport } from '@roskel/core';
import { today } from '../format';
import { useSettings } from '../stores/settings';
import { reportOf } from './client';

/** What the line makes of a batch, or the sentence why it makes nothing. */
export interface ShortReport {
  key: string;
  report: LineReport | null;
  trouble: string;
}

/** Reports of many batches, one after the other, anew when one or the heat school changes. */
export function useReports(batches: () => readonly BatchRecord[]): ReadonlyMap<string, ShortReport> {
  const settings = useSettings();
  const reports = shallowReactive(new Map<string, ShortReport>());
  watch(
    () => [batches(), settings.value.school] as const,
    async ([items, school]) => {
      for (const b of items) {
        const key = `${b.revision} ${school}`;
        if (reports.get(b.id)?.key === key) continue;
        const answer = await reportOf(countedIn(b.file, school), { today: today(), members: 60, forecast: false });
        reports.set(b.id, { key, report: answer.ok ? answer.report : null, trouble: answer.ok ? '' : answer.message });
      }
    },
    { immediate: true },
  );
  return reports;
}
