import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { TodayRow } from '@roskel/contract';
import { withDuty, withLater, type BatchFile, type Forecast, type Occupant, type TodayDuty, type TodayJar } from '@roskel/core';
import { api } from '../api/client';
import { bench, stoppable } from '../worker/client';
import { within } from '../format';
import { readHere } from '../ui/keepHere';
import { DRAFTS, typings } from './draftKeys';
import { inStep } from './inStep';
import { useNotices } from './notices';

/** A duty with the batch it is of. */
export interface DutyOf extends TodayDuty {
  batchId: string;
  batch: string;
}
/** A jar with the batch it is of, and its forecast once that is worked out. */
export interface JarOf extends TodayJar {
  key: string;
  batchId: string;
  batch: string;
  forecast: Forecast | null;
}

/** As many jars as a board and a picture bear. */
const FEW_JARS = 9;

/** Duties of a batch as a draft of it says. */
type TypedDuties = Pick<BatchFile, 'dutiesDone' | 'later'>;
const draftDuties = (batchId: string): TypedDuties | null => readHere<{ file?: BatchFile }>(DRAFTS + batchId)?.file ?? null;
/** Duties without those that are ticked, and due when those that were put off are. */
function withTyped(duties: readonly TodayDuty[], typed: TypedDuties | undefined): readonly TodayDuty[] {
  if (!typed) return duties;
  const until = new Map(typed.later?.map((l) => [l.id, l.until]));
  return duties.filter((d) => !typed.dutiesDone.includes(d.id)).map((d) => ({ ...d, due: [d.due, until.get(d.id) ?? d.due].sort()[1]! }));
}

/** What every batch asks for now, and the jars on the side; each change is made in the batch itself, with its undo. */
export const useToday = defineStore('today', () => {
  const rows = shallowRef<readonly TodayRow[]>([]);
  /** Done here a moment ago, and not yet said by the server. */
  const gone = ref<ReadonlySet<string>>(new Set());
  /** What was ticked and put off here and is not stored yet, by batch. */
  const typed = computed<ReadonlyMap<string, TypedDuties>>(() => {
    // Anew with every list, and with whatever is typed here.
    void typings.value;
    return new Map(
      rows.value.flatMap(({ id }) => {
        const draft = draftDuties(id);
        return draft ? [[id, draft] as const] : [];
      }),
    );
  });
  const forecasts = shallowRef<ReadonlyMap<string, { asked: string; forecast: Forecast }>>(new Map());

  const keyOf = (batchId: string, stationId: string) => `${batchId}/${stationId}`;
  const duties = computed<DutyOf[]>(() =>
    rows.value
      .flatMap((r) => withTyped(r.duties, typed.value.get(r.id)).map((d) => ({ ...d, batchId: r.id, batch: r.name })))
      .filter((d) => !gone.value.has(`${d.batchId}/${d.id}/${d.due}`))
      .sort((a, b) => a.due.localeCompare(b.due) || b.minutes - a.minutes || a.batch.localeCompare(b.batch)),
  );
  /** The day on which each jar first wants something. */
  const firstDue = computed(() => {
    const due = new Map<string, string>();
    for (const d of duties.value) if (!due.has(keyOf(d.batchId, d.stationId))) due.set(keyOf(d.batchId, d.stationId), d.due);
    return due;
  });
  const dueOf = (j: { key: string }) => firstDue.value.get(j.key) ?? '9999';
  const jars = computed<JarOf[]>(() =>
    rows.value
      .flatMap((r) =>
        r.jars.map((j) => {
          const key = keyOf(r.id, j.stationId);
          return { ...j, key, batchId: r.id, batch: r.name, forecast: forecasts.value.get(key)?.forecast ?? null };
        }),
      )
      .sort((a, b) => Number(b.warns !== null) - Number(a.warns !== null) || dueOf(a).localeCompare(dueOf(b))),
  );

  /** Many jars on one board: those that want something first, the others when they are asked for. */
  const everyJar = ref(false);
  const side = computed(() => (everyJar.value ? jars.value : jars.value.slice(0, FEW_JARS)));

  let foreseeing: Promise<void> | null = null;
  /** Forecasts of what is shown, one after the other; those that are known by what they were asked are left as they are. */
  const foresee = (): Promise<void> =>
    (foreseeing ??= (async () => {
      const open = () => side.value.find((j) => forecasts.value.get(j.key)?.asked !== JSON.stringify(j.asked));
      try {
        for (let j = open(); j; j = open()) {
          const answer = await stoppable(bench().jar(j.asked));
          if (!answer?.ok) break;
          forecasts.value = new Map(forecasts.value).set(j.key, { asked: JSON.stringify(j.asked), forecast: answer.answer });
        }
      } finally {
        foreseeing = null;
      }
    })());
  watch(everyJar, () => void foresee().catch((e: unknown) => useNotices().fail(e)));
  const step = inStep(async () => {
    rows.value = await api.get<TodayRow[]>('/today');
    void foresee().catch((e: unknown) => useNotices().fail(e));
  }, ['batches']);
  const { refresh } = step;

  /** Changes a batch as its own page would: kept here, saved shortly after, taken back by undo. */
  const change = (batchId: string, label: string, how: (file: BatchFile) => BatchFile): Promise<void> =>
    // One after the other, however fast they come: a batch is open one at a time.
    (turn = turn.catch(() => undefined).then(() => changeNow(batchId, label, how)));
  let turn: Promise<void> = Promise.resolve();
  async function changeNow(batchId: string, label: string, how: (file: BatchFile) => BatchFile) {
    // It knows every station: it comes with the first act, not with the list.
    const batch = (await import('./openBatch')).useOpenBatch();
    if (batch.id !== batchId || !batch.file) await batch.open(batchId);
    if (!batch.file) throw new Error('This batch cannot be opened now. Try again when the server answers.');
    batch.change(label, how(batch.file));
    await batch.flush();
    if (batch.state === 'offline') useNotices().say('Kept on this device: it is stored when the server answers.');
    if (batch.state === 'refused') throw new Error(batch.refused[0]?.message ?? 'This cannot be stored.');
  }
  /** Every batch as one of those that share the kitchen. */
  const occupants = computed<Occupant[]>(() =>
    rows.value.map(({ id, name, startDate, begun, occupies }) => ({ id, name, startDate, begun, occupies })),
  );
  /** A batch that has not begun, begun on another day. */
  const beginOn = (batchId: string, start: string) =>
    change(batchId, 'begins on another day', (f) => ({ ...f, startDate: start })).then(refresh);
  /** Off the list at once; what the server then says of it is what counts. */
  async function hidden(ds: readonly DutyOf[], change: () => Promise<void>) {
    const keys = new Set(ds.map((d) => `${d.batchId}/${d.id}/${d.due}`));
    gone.value = new Set([...gone.value, ...keys]);
    try {
      await change();
      await refresh();
    } finally {
      gone.value = new Set([...gone.value].filter((k) => !keys.has(k)));
    }
  }
  const done = (d: DutyOf) => hidden([d], () => change(d.batchId, `${d.batch}: ${within(d.text)}`, (f) => withDuty(f, d.id, true)));
  /** Puts off all that one station asks for: one act, one undo. */
  const later = (ds: readonly DutyOf[], until: string) =>
    hidden(ds, () => change(ds[0]!.batchId, `${ds[0]!.batch}: put off`, (f) => ds.reduce((g, d) => withLater(g, d.id, until), f)));
  return { rows, ...step, duties, jars, side, everyJar, occupants, change, beginOn, done, later };
});
