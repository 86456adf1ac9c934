import { BARE_LOT, type BatchRecord } from '@roskel/contract';
import { gramsOf, intakesOf, mapStations, styleOf, type BatchFile, type HavePods, type Plan, type PodLot } from '@roskel/core';
import { capital, today } from '../format';
import { useBatches } from '../stores/batches';
import { usePods } from '../stores/pods';

/** Opens as much of a kept or bottled sauce as is needed (g), and gives the id of what came of it. */
export type OpenSauce = (needG: number) => Promise<string | null>;

/** Bottles that go into it are opened now: the file names what came of them. */
async function withOpened(file: BatchFile, open: OpenSauce): Promise<BatchFile> {
  const use = intakesOf(file).find(({ intake }) => intake.origin.from === 'stored')?.intake;
  if (!styleOf(file.style).takesSauce || !use || use.origin.from !== 'stored') return file;
  const was = use.origin.id;
  const id = await open(gramsOf(use.amount) ?? 0);
  if (!id || id === was) return file;
  const named = mapStations(file, (s) => ({
    ...s,
    intakes: s.intakes.map((i) => (i.id === use.id ? { ...i, origin: { from: 'stored' as const, id } } : i)),
  }));
  return { ...named, stored: file.stored.map((s) => (s.id === was ? { ...s, id } : s)) };
}

/** "Raw sauce with herbs", or no. 2 of it: a name that no batch has. */
export function freeName(style: string): string {
  const name = capital(styleOf(style).name);
  const had = new Set(useBatches().items.map((b) => b.summary.name));
  if (!had.has(name)) return name;
  for (let n = 2; ; n++) if (!had.has(`${name} no. ${n}`)) return `${name} no. ${n}`;
}

/** Begins a batch of a plan: what someone said they have comes into the store, bottles are opened, the file is stored. */
export async function beginPlan(plan: Plan, name: string, said: readonly HavePods[], open: OpenSauce): Promise<BatchRecord> {
  const pods = usePods();
  /** A lot of the plan comes into the store, unless an attempt before this one brought it there. */
  const stock = async (lot: PodLot, stockG: number, says: string) => {
    if (!pods.items.some((p) => p.lot.id === lot.id)) await pods.add({ ...BARE_LOT, lot, gotOn: today() }, stockG, says);
  };
  for (const p of said) if (!p.asMany) await stock(p.lot, p.stockG, p.says.slice(0, 80));
  // What no one said is there (the pods of a recipe, what carries too few) is to be bought.
  for (const lot of plan.file.lots) await stock(lot, 0, 'to be bought');
  return useBatches().startFile({ ...(await withOpened(plan.file, open)), name });
}
