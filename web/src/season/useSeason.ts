import { proxy } from 'comlink';
import { computed, onBeforeUnmount, reactive, ref, shallowRef, watch } from 'vue';
import { numberProblem, SeasonBookSchema, type SeasonBook, type TodayRow } from '@roskel/contract';
import {
  addDays,
  daysBetween,
  differsFrom,
  isSpoilt,
  mergeChanges,
  KEEPS_DAYS,
  pinId,
  readHarvests,
  readWishes,
  SEASON_STYLES,
  type Ahead,
  type Harvest,
  type Pin,
  type Season,
  type SeasonAsk,
  type Shelved,
} from '@roskel/core';
import { api, Offline } from '../api/client';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { useTools } from '../stores/own';
import { useSeasonBook } from '../stores/season';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { useShelf } from '../stores/shelf';
import { keepHere, readHere } from '../ui/keepHere';
import { bench, stopBench, stoppable } from '../worker/client';

/** Kinds that a season begins with: those that keep, two of them in jars. */
const USUAL = ['brine-ferment', 'mash-ferment', 'simmered-vinegar', 'long-reduced'].filter((s) => SEASON_STYLES.includes(s));
/** Weeks that a season looks ahead. */
const WEEKS = 52;
/** Less of a lot than this is no stock to plan with, g. */
const LEAST_G = 20;
/** What is good for longer than this is looked at for all of the season, days. */
const LONG_DAYS = 180;
/** What is typed rests for as long before it is worked out, and before it is kept, ms. */
const AFTER_MS = 600;
const ID = 'season';
/** A server that was away is asked again after so long. */
const AGAIN_MS = 4000;
/** Where what is not stored yet is kept in this browser. */
const TYPED = 'roskel.form.season';
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;
const blank = (): SeasonBook => ({
  ...{ id: ID, name: 'Season', ripens: '', wishes: '', perMonth: 0, bottleMl: 100, weekday: 6, freezerG: 3000 },
  ...{ styles: [...USUAL], pins: [], begun: [], kept: null },
});

/** The season of this kitchen: what was said of it, and the plan that is worked out of that, anew at each change. */
export function useSeason() {
  const [pods, larder, shelf, batches, tools, book] = [usePods(), useLarder(), useShelf(), useBatches(), useTools(), useSeasonBook()];
  const [settings, notices] = [useSettings(), useNotices()];
  const form = reactive<SeasonBook>(blank());
  const ready = ref(false);
  const busyJars = shallowRef<SeasonAsk['taken']>([]);
  const inDanger = shallowRef<ReadonlySet<string>>(new Set());
  const row = computed(() => book.items.find((o) => o.id === ID) ?? null);

  /** The row as this window took it over: what is typed here is a change of that, and of nothing newer. */
  let base: { revision: number; value: SeasonBook } = { revision: 0, value: blank() };
  const changed = () => JSON.stringify(form) !== JSON.stringify(base.value);
  function take() {
    if (!row.value) return;
    base = plain({ revision: row.value.revision, value: row.value.value });
    Object.assign(form, plain(base.value));
  }
  // Changed in another window, or undone: taken over where nothing was typed here.
  watch(row, () => !changed() && take());
  /** Not stored yet, for the server does not answer. */
  const waits = ref(false);
  let left = false;
  let storing: Promise<void> = Promise.resolve();
  async function store() {
    if (!changed()) waits.value = false;
    if (!ready.value || !changed() || fieldsTrouble.value) return;
    const mine = plain(form) as SeasonBook;
    try {
      if (row.value) await book.edit(ID, base, mine);
      else await book.add(mine);
      // Together with what others changed meanwhile; what was typed since goes next.
      if (row.value) {
        base = plain({ revision: row.value.revision, value: row.value.value });
        Object.assign(form, mergeChanges(mine, plain(form) as SeasonBook, base.value).value);
      }
      if (!changed()) keepHere(TYPED, null);
      waits.value = false;
    } catch (e) {
      waits.value = e instanceof Offline;
      // What was typed is kept in this browser: it is stored when the server is back.
      if (waits.value && !left) timer = setTimeout(() => void keep(), AGAIN_MS);
      else if (!waits.value) notices.fail(e);
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = () => (storing = storing.then(store));

  const P = SeasonBookSchema.properties;
  const fieldsTrouble = computed(() =>
    (['perMonth', 'bottleMl', 'freezerG'] as const).some((f) => typeof form[f] !== 'number' || numberProblem(P[f], form[f]) !== null),
  );
  const days = computed(() => {
    const first = addDays(today(), (form.weekday - new Date(`${today()}T12:00:00Z`).getUTCDay() + 7) % 7);
    return Array.from({ length: WEEKS }, (_, i) => addDays(first, 7 * i));
  });
  const rows = computed(() => larder.rows);
  const ripens = computed(() => readHarvests(form.ripens, settings.value.kitchen, rows.value, today()));
  const wishes = computed(() => readWishes(form.wishes, today(), days.value.at(-1)!));
  const freeG = (x: { stockG: number; promised: { g: number }[] }) => x.stockG - x.promised.reduce((s, p) => s + p.g, 0);
  /** What ripens, without what batches that were begun of it are to take, and the lots that are there. */
  const harvests = computed<Harvest[]>(() => {
    const owed = new Map<string, number>();
    for (const b of form.begun) {
      if (batches.items.some((x) => x.id === b.batchId)) owed.set(b.variety, (owed.get(b.variety) ?? 0) + b.g);
    }
    const coming = ripens.value.found.flatMap((h): Harvest[] => {
      const less = Math.min(h.g.typical, owed.get(h.lot.varietyId) ?? 0);
      owed.set(h.lot.varietyId, (owed.get(h.lot.varietyId) ?? 0) - less);
      const left = 1 - less / h.g.typical;
      return left > 0.02 ? [{ ...h, g: { low: h.g.low * left, typical: h.g.typical * left, high: h.g.high * left } }] : [];
    });
    const here = pods.items
      .filter((p) => freeG(p) > LEAST_G && !isSpoilt(p.lot))
      .map((p): Harvest => {
        const g = freeG(p);
        const keeps = KEEPS_DAYS[p.lot.form];
        const left = keeps - (p.gotOn ? Math.max(0, daysBetween(p.gotOn, today())) : 0);
        return {
          ...{ id: p.id, name: p.lot.name, lot: p.lot, g: { low: g, typical: g, high: g } },
          // What is dry or frozen only loses heat and colour with the years.
          goodDays: keeps > LONG_DAYS ? Math.max(LONG_DAYS, left) : left,
          from: { low: today(), typical: today(), high: today() },
        };
      })
      // Past its time: nobody is told to cook it.
      .filter((h) => h.goodDays > 0);
    return [...here, ...coming];
  });
  const shelved = computed(() =>
    shelf.items
      .filter((b) => b.left > 0 && b.bottleMl >= form.bottleMl * 0.8)
      .map((b): Shelved => ({
        ...{ id: b.id, name: b.name, eaten: b.eaten ?? 'drop', bottles: b.left },
        ...{ shu: b.heat.dry.p50, from: today(), until: b.useBy },
      })),
  );
  /** What is on its way. A batch with a danger at a jar is not counted on: it may have to go. */
  const ahead = computed(() =>
    batches.items.flatMap(({ id, summary }): Ahead[] =>
      summary.trouble !== '' || inDanger.value.has(id)
        ? []
        : summary.ends
            .filter((e) => !e.doneOn && !e.thrownOn && e.bottles > 0 && e.vessel === 'bottle')
            .map((e) => {
              const to = summary.stations.filter((x) => x.strandId === e.strandId).at(-1)?.to ?? today();
              return {
                ...{ id: `${id}/${e.strandId}`, name: summary.name, style: summary.style, bottles: e.bottles, shu: e.heatShu.dry },
                from: to < today() ? today() : to,
              };
            }),
    ),
  );
  const ask = computed((): Omit<SeasonAsk, 'kits'> => ({
    ...{ today: today(), days: days.value, harvests: harvests.value, shelf: shelved.value, taken: busyJars.value },
    jars: tools.items.flatMap(({ value: t }) => (t.kind === 'jar' && t.volumeMl ? [{ ml: t.volumeMl, count: t.count ?? 1 }] : [])),
    ...{ freezerG: form.freezerG, wishes: wishes.value.found, perMonth: form.perMonth, bottleMl: form.bottleMl },
    ...{ pins: form.pins.filter((p) => days.value.includes(p.start)), before: form.kept?.batches ?? [] },
  }));
  const styles = computed(() => form.styles.filter((s) => SEASON_STYLES.includes(s)));

  const season = shallowRef<Season | null>(null);
  const luck = shallowRef<ReadonlyMap<string, number>>(new Map());
  const working = ref(false);
  const trouble = ref('');
  let round = 0;
  async function work() {
    const mine = ++round;
    if (working.value) stopBench();
    working.value = true;
    trouble.value = '';
    try {
      const hear = (s: Season, l: Map<string, number>) => {
        if (mine !== round) return;
        season.value = s;
        luck.value = l;
      };
      const answer = await stoppable(bench().season(plain(ask.value), plain(ahead.value), plain(styles.value), proxy(hear)));
      if (mine === round && answer && !answer.ok) {
        trouble.value = answer.message;
        season.value = null;
      }
    } catch (e) {
      notices.fail(e);
    } finally {
      if (mine === round) working.value = false;
    }
  }
  let solving: ReturnType<typeof setTimeout> | undefined;
  watch(
    () => ready.value && !fieldsTrouble.value && styles.value.length > 0 && JSON.stringify([ask.value, ahead.value, styles.value]),
    (asked) => {
      clearTimeout(solving);
      if (asked) solving = setTimeout(() => void work(), AFTER_MS);
    },
  );
  watch(
    () => JSON.stringify(form),
    () => {
      if (ready.value && changed()) keepHere(TYPED, plain(form));
      clearTimeout(timer);
      timer = setTimeout(() => void keep(), AFTER_MS);
    },
  );
  onBeforeUnmount(() => {
    left = true;
    clearTimeout(timer);
    clearTimeout(solving);
    void keep();
    round++;
    if (working.value) stopBench();
  });
  const load = () =>
    Promise.all([
      ...[pods, larder, shelf, batches, tools, book].map((s) => s.load()),
      api.get<TodayRow[]>('/today').then((all) => {
        busyJars.value = all.flatMap((r) => r.occupies.jars);
        inDanger.value = new Set(all.flatMap((r) => (r.jars.some((j) => j.warns !== null) ? [r.id] : [])));
      }),
    ])
      .then(() => {
        take();
        // Typed while the server was away, or right before the window was closed.
        const typed = readHere<Partial<SeasonBook>>(TYPED);
        if (typed instanceof Object) Object.assign(form, typed);
        ready.value = true;
        if (changed()) void keep();
      })
      .catch((e: unknown) => notices.fail(e));

  /** A batch begins on this day whatever else is planned, or wherever it is best again. */
  function hold(at: Pin, start: string | null) {
    // Days that are over hold nothing.
    const rest = form.pins.filter((p) => pinId(p) !== pinId(at) && p.start >= today());
    form.pins = start === null ? rest : [...rest, { style: at.style, heat: at.heat, start }];
  }
  const isHeld = (b: Pin) => form.pins.some((p) => pinId(p) === pinId(b));
  /** Held, and not to be had: no pods are there by then. */
  const heldInVain = computed(() =>
    season.value ? form.pins.filter((p) => p.start >= today() && !season.value!.batches.some((b) => pinId(b) === pinId(p))) : [],
  );
  /** The plan is kept as it stands: later ones stay near it, and say what they do otherwise. */
  function keepPlan() {
    const s = season.value;
    if (!s) return;
    form.kept = {
      batches: s.batches.map(({ style, heat, start }) => ({ style, heat, start })),
      parts: s.parts.map(({ wishId, says, got, bottles }) => ({ wishId, says: says.slice(0, 400), got, bottles })),
    };
  }
  const changes = computed(() => (season.value && form.kept ? differsFrom(form.kept, season.value) : []));
  return {
    form,
    heldInVain,
    ready,
    waits,
    ripens,
    wishes,
    harvests,
    shelved,
    days,
    season,
    luck,
    working,
    trouble,
    styles,
    changes,
    load,
    hold,
    isHeld,
    keepPlan,
    keep,
  };
}
