import { defineStore } from 'pinia';
import { computed } from 'vue';
import { type LarderFacts, type LarderRecord, type LedgerLine, type Move } from '@roskel/contract';
import { INGREDIENTS, withOwnPh, type Ingredient } from '@roskel/core';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { stockList } from './collection';
import { massMove, useMoves, withMass } from './moves';
import { useOwnIngredients } from './own';
import { putRecord, type Begun } from './putRecord';
import { useUndo } from './undo';

/** What a maker says of a larder row, out of its record. */
export function factsOf({ note, packG, packPrice, openedOn, ownPh, useFirst }: LarderRecord): LarderFacts {
  return { note, packG, packPrice, openedOn, ownPh, useFirst };
}

/** Money per kg; null when no price is known. */
export const perKg = (l: LarderFacts): number | null => (l.packG && l.packPrice !== null ? (1000 * l.packPrice) / l.packG : null);

export const useLarder = defineStore('larder', () => {
  const list = stockList<LarderRecord>('larder', withMass);
  const moves = useMoves();
  const own = useOwnIngredients();
  const undo = useUndo();
  const archive = archiveOf<LarderRecord>('larder', (l) => row(l.ingredientKey)?.name ?? l.ingredientKey, list.refresh);

  /** Every ingredient there is: the maker's own, then the table, with pH as measured here where it was. */
  const rows = computed<readonly Ingredient[]>(() => {
    const measured = new Map(list.items.value.map((l) => [l.ingredientKey, l.ownPh]));
    return [...own.items.map((o) => o.value), ...INGREDIENTS].map((r) => withOwnPh(r, measured.get(r.key) ?? null));
  });
  const byKey = computed(() => new Map(rows.value.map((r) => [r.key, r])));
  /** The row of a key; an own one that is archived falls back to its bare key. */
  const row = (key: string): Ingredient | undefined => byKey.value.get(key);

  async function loadAll() {
    await Promise.all([list.load(), own.load()]);
  }
  async function add(ingredientKey: string, name: string, stockG: number, words: string, facts?: LarderFacts) {
    const body = { ingredientKey, stockG, words, ...(facts ? { facts } : {}) };
    const had = list.items.value.some((l) => l.id === ingredientKey);
    await api.post('/larder', body);
    undo.push(`${name} added`, 'larder', {
      kind: 'calls',
      undo: [
        ...(stockG > 0
          ? [{ method: 'post' as const, path: `/larder/${ingredientKey}/moves`, body: { deltaG: -stockG, reason: 'undo', words: '' } }]
          : []),
        ...(had ? [] : [{ method: 'remove' as const, path: `/larder/${ingredientKey}` }]),
      ],
      redo: [{ method: 'post', path: '/larder', body }],
    });
    await list.refresh();
  }
  async function edit(id: string, name: string, begun: Begun<LarderFacts>, mine: LarderFacts) {
    const path = `/larder/${id}`;
    const body = (facts: LarderFacts) => ({ facts });
    const changes = await putRecord<LarderFacts, LarderRecord>({ path, begun, mine, body, valueOf: factsOf, kind: 'larder' });
    undo.push(`change to ${name}`, 'larder', { kind: 'record', path: '/larder', of: id, put: path, changes });
    await list.refresh();
  }
  async function move(id: string, name: string, m: Move) {
    await moves.act(`stock of ${name}`, ...massMove('larder', id, m));
    await list.refresh();
  }
  const history = (id: string) => api.get<LedgerLine[]>(`/larder/${id}/history`);
  return { ...list, load: loadAll, rows, row, add, edit, move, archive, history };
});
