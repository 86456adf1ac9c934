import { computed, onMounted } from 'vue';
import { instrumentOf, meterAt, type ReadBy, type Reading } from '@roskel/core';
import { useNotices } from '../stores/notices';
import { useTools } from '../stores/own';

type Instrument = Reading['instrument'];
interface ReadWith {
  instrument: Instrument;
  by?: ReadBy;
}

/** What a pH can be read with: a meter, a strip, or one of the kitchen's own meters with its calibration. */
export function useInstruments(had: () => { instrument?: Instrument; by?: ReadBy } | null | undefined) {
  const tools = useTools();
  const notices = useNotices();
  onMounted(() => void tools.load().catch((e: unknown) => notices.fail(e)));
  const meters = computed(() => tools.items.filter((o) => o.value.kind === 'meter').map((o) => o.value));
  const own = (name: string) => `own ${name}`;
  const options = computed(() => [
    { value: 'meter', label: 'calibrated meter' },
    { value: 'strip', label: 'strip' },
    ...meters.value.map((t) => ({ value: own(t.name), label: t.name })),
    // One that was archived since stays named where it was used.
    ...[had()?.by?.name ?? ''].filter((n) => n !== '' && !meters.value.some((t) => t.name === n)).map((n) => ({ value: own(n), label: n })),
  ]);
  const valueOf = (r: { instrument?: Instrument; by?: ReadBy }): string => (r.by ? own(r.by.name) : instrumentOf(r.instrument));
  /** What is kept beside a reading made with it at a time (ISO instant). */
  function readWith(value: string, at: string): ReadWith {
    const tool = meters.value.find((t) => own(t.name) === value);
    if (!tool) {
      const before = had();
      return before?.by && own(before.by.name) === value
        ? { instrument: instrumentOf(before.instrument), by: before.by }
        : { instrument: value === 'meter' ? 'meter' : 'strip' };
    }
    const { as, sd } = meterAt(tool, at);
    return { instrument: as, by: { name: tool.name, sd } };
  }
  /** What to know of it, in a sentence; empty for what is not the kitchen's own. */
  function says(value: string, at: string): string {
    const tool = meters.value.find((t) => own(t.name) === value);
    return tool ? `${tool.name}: ${meterAt(tool, at).says}.` : '';
  }
  /** The meter that a device reads out as; a pen that is none of the kitchen's was calibrated by nobody here, and counts as a strip. */
  const ofDevice = (id: string): string => {
    const tool = meters.value.find((t) => t.device === id);
    return tool ? own(tool.name) : 'strip';
  };
  return { options, valueOf, readWith, says, ofDevice };
}
