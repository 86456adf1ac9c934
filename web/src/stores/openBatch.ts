import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { fieldWords, type BatchRecord, type BatchSaved, type ChangeEvent } from '@roskel/contract';
import {
  applyChanges,
  carry,
  changesBetween,
  countedIn,
  fieldPath,
  firstLook,
  forceChange,
  logRefusal,
  mergeChanges,
  same,
  withIntakes,
  withLogged,
  withoutOldTicks,
  withParams,
  type BatchFile,
  type Change,
  type Clash,
  type Intake,
  type LineReport,
  type LogChange,
  type TypicalReport,
} from '@roskel/core';
import { api, ApiProblem, Offline } from '../api/client';
import { onChange } from '../api/events';
import { today } from '../format';
import { keepHere } from '../ui/keepHere';
import { reportOf } from '../worker/client';
import { draftKey, draftOf, type Draft } from './drafts';
import { leftUnsent, typings } from './draftKeys';
import { useLarder } from './larder';
import { useNotices } from './notices';
import { usePods } from './pods';
import { useSettings } from './settings';
import { useStored } from './stored';
import { useUndo } from './undo';

const SAVE_AFTER_MS = 500;
const RETRY_MS = 3000;
const LEAVE_MS = 1500;

export interface Trouble {
  path: string;
  message: string;
}

/**
 * The batch on the page: what it is now, what is stored, and what the line makes of it. Every change is kept in this
 * browser at once and saved shortly after; when the server is away it is tried again until it answers.
 */
export const useOpenBatch = defineStore('openBatch', () => {
  const id = ref('');
  const file = shallowRef<BatchFile | null>(null);
  const revision = ref(0);
  const state = ref<'loading' | 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'stale' | 'missing'>('loading');
  const report = shallowRef<LineReport | null>(null);
  const busy = ref(false);
  /** Why nothing is known of the file as it stands: what was known before is not shown for it. */
  const failed = ref('');
  const lineTrouble = ref<{ stationId: string; field: string; message: string } | null>(null);
  const refused = ref<Trouble[]>([]);
  /** What two windows changed, each otherwise: to be settled by the maker. */
  const clashes = shallowRef<readonly Clash[]>([]);
  const undo = useUndo();
  /** The file as it was last known to be stored. */
  let base: BatchFile | null = null;
  /** While two windows' changes are asked about: what stood here, and on what. A reload must find it again. */
  let mineThen: Draft | null = null;
  let toldFull = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  /** One save at a time: a second one would carry a revision that is about to be old. */
  let saving = false;
  let stop: (() => void) | null = null;

  const settings = useSettings();
  let asked = 0;

  watch(
    () => settings.value.school,
    () => void recompute(),
  );

  async function recompute() {
    if (!file.value) return;
    busy.value = true;
    const mine = ++asked;
    // Heat is counted by the school of the settings; the file itself is never touched by it.
    const counted = countedIn(file.value, settings.value.school);
    const of = id.value;
    const look = (typical: TypicalReport) => {
      if (mine === asked && of === id.value) report.value = firstLook(typical, report.value) ?? report.value;
    };
    const answer = await reportOf(counted, { today: today() }, look).catch((e: unknown) => e as Error);
    if (mine !== asked) return;
    busy.value = false;
    if (!answer || of !== id.value) return;
    failed.value = answer instanceof Error ? answer.message : '';
    if (answer instanceof Error) {
      report.value = null;
      lineTrouble.value = null;
      return useNotices().fail(answer);
    }
    if (answer.ok) {
      report.value = answer.report;
      lineTrouble.value = null;
    } else lineTrouble.value = answer;
  }

  function take(record: BatchRecord) {
    file.value = base = record.file;
    revision.value = record.revision;
    state.value = 'saved';
    clashes.value = [];
    refused.value = [];
    keepHere(draftKey(record.id), null);
    void recompute();
  }

  /** True while something typed here is on its way to the server. */
  const unsaved = () => ['waiting', 'saving', 'offline', 'refused', 'stale'].includes(state.value);

  /** What another window changed: taken over as it is announced, fetched where something was missed. */
  function hear({ topic, id: of, revision: at = 0, changes }: ChangeEvent) {
    const mine = topic === 'all' || (topic === 'batches' && of === id.value && at > revision.value);
    if (!mine || !id.value || state.value !== 'saved' || !file.value) return;
    const next = changes && at === revision.value + 1 ? applyChanges(file.value, changes) : null;
    if (!next || next.clashes.length > 0) return void open(id.value);
    file.value = base = next.value;
    revision.value = at;
    void recompute();
  }

  async function open(batchId: string) {
    // Coming back to a page of the same batch must not fetch over, or save twice, what is still being stored.
    if (batchId === id.value && file.value && unsaved()) return recompute();
    if (batchId !== id.value) {
      // What was typed into the other batch goes first. A server that says nothing is not waited for: it is kept, and sent later.
      await Promise.race([flush(), new Promise((go) => setTimeout(go, LEAVE_MS))]);
      if (id.value && unsaved()) leftUnsent.value++;
      file.value = null;
      report.value = null;
      lineTrouble.value = null;
      clashes.value = [];
      mineThen = null;
    }
    id.value = batchId;
    state.value = 'loading';
    stop ??= onChange(hear);
    const draft = draftOf(batchId);
    try {
      const record = await api.get<BatchRecord>(`/batches/${batchId}`);
      if (draft && JSON.stringify(draft.file) !== JSON.stringify(record.file)) {
        // Something typed here was never stored: carry on with it, on top of what is stored now.
        base = draft.base ?? record.file;
        file.value = draft.file;
        revision.value = draft.revision;
        bringTogether(record);
        if (clashes.value.length === 0) await save();
      } else take(record);
    } catch (error) {
      if (error instanceof ApiProblem && error.problem.status === 404) {
        // It may have been there: a kitchen that went back to a backup.
        file.value = report.value = null;
        state.value = 'missing';
      } else if (draft) {
        file.value = draft.file;
        base = draft.base;
        revision.value = draft.revision;
        state.value = 'offline';
        void recompute();
        later(RETRY_MS);
      } else state.value = 'offline';
    }
  }

  function later(ms: number) {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), ms);
  }

  async function save() {
    if (!file.value || state.value === 'stale' || state.value === 'saved') return;
    clearTimeout(timer);
    if (saving) return later(SAVE_AFTER_MS);
    const sent = file.value;
    const sentId = id.value;
    state.value = 'saving';
    saving = true;
    try {
      const changes = changesBetween(base, sent);
      if (changes.length === 0) {
        if (file.value === sent) {
          state.value = 'saved';
          keepHere(draftKey(sentId), null);
        } else later(SAVE_AFTER_MS);
        return;
      }
      const saved = await api.patch<BatchSaved>(`/batches/${sentId}`, { revision: revision.value, changes });
      if (sentId !== id.value) {
        if (same(draftOf(sentId)?.file, sent)) keepHere(draftKey(sentId), null);
        return;
      }
      refused.value = [];
      if (saved.file) {
        base = sent;
        // One revision on is our own edit, put in order; more than that, and others were at work too.
        bringTogether({ ...saved, id: sentId, file: saved.file }, saved.revision !== revision.value + 1);
        if (clashes.value.length === 0) later(0);
        return;
      }
      revision.value = saved.revision;
      base = sent;
      if (file.value === sent) {
        state.value = 'saved';
        keepHere(draftKey(sentId), null);
      } else later(SAVE_AFTER_MS);
    } catch (error) {
      if (sentId !== id.value) return;
      if (error instanceof Offline) {
        state.value = 'offline';
        later(RETRY_MS);
      } else if (error instanceof ApiProblem && error.problem.status === 409) {
        bringTogether(error.problem.current as BatchRecord);
        if (clashes.value.length === 0) later(0);
      } else {
        state.value = 'refused';
        refused.value =
          error instanceof ApiProblem
            ? (error.problem.errors ?? [{ path: '', message: error.message }])
            : [{ path: '', message: String(error) }];
      }
    } finally {
      saving = false;
    }
  }

  /** Sees to it that what was typed is stored, as far as the server answers and takes it. */
  async function flush() {
    for (let i = 0; i < 200 && ['waiting', 'saving'].includes(state.value); i++) {
      if (saving) await new Promise((go) => setTimeout(go, 25));
      else await save();
    }
  }

  function put(next: BatchFile) {
    if (mineThen && file.value) mineThen.file = applyChanges(mineThen.file, changesBetween(file.value, next)).value;
    file.value = next;
    const draft: Draft = mineThen ?? { revision: revision.value, base: base ?? next, file: next };
    const kept = keepHere(draftKey(id.value), draft);
    typings.value++;
    if (!kept && !toldFull) {
      toldFull = true;
      useNotices().fail(new Error('This browser keeps no copy of what you type. Leave this page only when it says that all is saved.'));
    }
    if (state.value !== 'stale') {
      state.value = 'waiting';
      later(SAVE_AFTER_MS);
    }
    void recompute();
  }

  /** Changes the batch; `label` names the change for undo, and only what it changed is taken back. */
  function change(label: string, next: BatchFile) {
    const before = file.value;
    if (!before) return;
    const changes = changesBetween(before, next);
    if (changes.length === 0) return;
    put(next);
    undo.push(label, `batch:${id.value}`, { kind: 'batch', batchId: id.value, changes });
  }
  /** Makes changes of an undo or redo where the batch still is as they left it; else says what is otherwise now. */
  async function amend(batchId: string, changes: readonly Change[]): Promise<string[]> {
    if (id.value !== batchId || !file.value) await open(batchId);
    if (!file.value) throw new Error('This batch is not there any more.');
    const { value, clashes: other } = applyChanges(file.value, changes);
    if (other.length > 0) return [...new Set(other.map((c) => fieldWords(file.value!, c.path)))];
    put(value);
    return [];
  }
  undo.onBatch(amend);

  /** What was typed here on top of what is stored now: other fields come together, the same field is asked about. */
  function bringTogether(record: BatchRecord, others = true) {
    const mine: Draft = { revision: revision.value, base: base ?? record.file, file: file.value ?? record.file };
    const merged = mergeChanges(mine.base, mine.file, record.file);
    base = record.file;
    revision.value = record.revision;
    clashes.value = merged.clashes;
    file.value = merged.value;
    mineThen = merged.clashes.length > 0 ? mine : null;
    if (merged.clashes.length === 0 && same(merged.value, record.file)) {
      if (others && !same(mine.file, record.file)) useNotices().say('Brought together with what another window changed.');
      return take(record);
    }
    put(merged.value);
    if (merged.clashes.length > 0) state.value = 'stale';
    else if (others && !same(merged.value, mine.file)) useNotices().say('Brought together with what another window changed.');
  }
  /** Settles what two windows changed: those of `mine` as they stand here, the others as they were stored. */
  function settle(mine: readonly Clash[]) {
    clashes.value = [];
    mineThen = null;
    state.value = 'waiting';
    put(mine.reduce((f, c) => forceChange(f, c), file.value!));
  }

  const nameOf = (stationId: string) => report.value?.stations.find((s) => s.id === stationId)?.name ?? 'station';
  /** The file carrying all it names, without ticks of what is gone: what is new comes in as the stores know it, what it had stays. */
  function carried(next: BatchFile): BatchFile {
    const fresh = useLarder().rows.filter((r) => !next.ingredients.some((i) => i.key === r.key));
    const lots = usePods().items.map((p) => p.lot);
    const stored = useStored().items.map((s) => s.stuff);
    const had = <T extends { id: string }>(all: readonly T[], own: readonly T[]) => all.filter((x) => !own.some((o) => o.id === x.id));
    return withoutOldTicks(carry(next, had(lots, next.lots), fresh, had(stored, next.stored)));
  }
  /** Changes one station's parameters. */
  function setParams(stationId: string, params: unknown) {
    if (file.value) change(nameOf(stationId), withParams(file.value, stationId, params));
  }
  /** Changes what goes in at a station; the file keeps carrying what they name. */
  function setIntakes(stationId: string, intakes: Intake[]) {
    if (file.value) change(nameOf(stationId), carried(withIntakes(file.value, stationId, intakes)));
  }
  /** Notes something at a station; why it cannot be noted, else null. */
  function setLog(stationId: string, noted: LogChange): ReturnType<typeof logRefusal> {
    const f = file.value;
    if (!f) return null;
    const refusal = logRefusal(f, stationId, noted, today());
    if (!refusal) change(`${nameOf(stationId)} log`, withLogged(f, stationId, noted));
    return refusal;
  }

  /** The sentence for a field of a station, from the line or the server; null when nothing is wrong. */
  function troubleAt(stationId: string, field: string): string | null {
    const line = lineTrouble.value;
    if (line && line.stationId === stationId && line.field === field) return line.message;
    if (!file.value) return null;
    const path = fieldPath(file.value, stationId, field);
    return refused.value.find((t) => t.path === path)?.message ?? null;
  }

  const stationTrouble = computed(() => lineTrouble.value?.stationId ?? null);
  return {
    failed,
    recompute,
    id,
    file,
    revision,
    state,
    report,
    busy,
    lineTrouble,
    refused,
    clashes,
    stationTrouble,
    open,
    change,
    setParams,
    setIntakes,
    carried,
    setLog,
    save,
    flush,
    settle,
    troubleAt,
  };
});
