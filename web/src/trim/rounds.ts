import { palateOf, RAILS, type Palate, type RailValues, type Round, type Says, type TrimPut } from '@roskel/core';
import { useSettings } from '../stores/settings';

/** A round of tasting as it is kept. */
export function newRound(says: Says, now: RailValues, puts: readonly TrimPut[]): Round {
  const tidy = (x: number | null) => (x === null ? null : Number(x.toPrecision(5)));
  return {
    id: `t${Date.now().toString(36)}`,
    at: new Date().toISOString(),
    says: { ...says },
    was: Object.fromEntries(RAILS.map((r) => [r, tidy(now[r])])) as Round['was'],
    put: puts.map(({ from, of, g, words }) => ({ from, of, g, words })),
  };
}

/** What this maker calls right, kept with the settings. */
export function usePalate() {
  const settings = useSettings();
  /** A round's words on top of what is known already, each as one more voice. */
  async function learn(round: Round) {
    const had = settings.value.palate;
    const fresh = palateOf([round]);
    const next: Palate = { ...had };
    for (const r of RAILS) {
      const [a, b] = [had[r], fresh[r]];
      if (!b) continue;
      const said = (a?.said ?? 0) + 1;
      const plain = r === 'sour' || r === 'body';
      const level = !a
        ? b.level
        : plain
          ? a.level + (b.level - a.level) / said
          : Math.exp(Math.log(a.level) + Math.log(b.level / a.level) / said);
      next[r] = { level, said };
    }
    await settings.save({ ...settings.value, palate: next });
  }
  return { learn };
}
