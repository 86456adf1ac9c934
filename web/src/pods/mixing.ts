import { ref, shallowRef } from 'vue';
import { inSchool, isSpoilt, type HeatSchool, type PodChoice, type Preparation } from '@roskel/core';
import type { PodLotRecord } from '@roskel/contract';
import { stoppable } from '../worker/client';
import type { Timed } from '../worker/worker';

/** A lot of the store as something to mix from, as a school counts its heat. */
export function choiceOf(p: PodLotRecord, cut: { prep: Preparation }, stockG: number, school: HeatSchool): PodChoice {
  // What is to be thrown away is as good as not there.
  return { lot: inSchool(p.lot, school), stockG: isSpoilt(p.lot) ? 0 : stockG, prep: cut.prep, useFirst: p.useFirst, perKg: p.pricePerKg };
}

interface Question<A, M> {
  ask(): Promise<Timed<A>>;
  /** The mixes of an answer, best first; none when it found none. */
  mixesOf(answer: A): readonly M[];
  /** Puts a mix on the table. */
  put(mix: M): void;
  /** What the question is about; an answer about something else is dropped. */
  about(): string;
  /** What stands on the table; what was set by hand meanwhile stays. */
  stands(): string;
}

/** A mix that the solver helps with: what was asked, what it said, and which of its ways stands on the table. */
export function useMixing<A, M>({ ask, mixesOf, put, about, stands }: Question<A, M>) {
  const answer = shallowRef<A | null>(null);
  const solving = ref(false);
  const solveMs = ref<number | null>(null);
  const trouble = ref('');
  /** Which way stands on the table as it was found; -1 when it was changed by hand. */
  const picked = ref(-1);

  let asks = 0;

  function take(mix: M, index: number): void {
    put(mix);
    picked.value = index;
  }
  /** Asks the solver; `use` puts its best answer on the table, otherwise the table stays as it is. The newest question wins. */
  async function solve(use = true): Promise<void> {
    const mine = ++asks;
    trouble.value = '';
    solving.value = true;
    const asked = { about: about(), stands: stands() };
    const result = await stoppable(ask()).finally(() => {
      if (mine === asks) solving.value = false;
    });
    if (mine !== asks) return;
    if (!result || about() !== asked.about) return;
    answer.value = result.ok ? result.answer : null;
    if (!result.ok) return void (trouble.value = result.message);
    solveMs.value = result.ms;
    const best = mixesOf(result.answer)[0];
    if (best && use && stands() === asked.stands) take(best, 0);
  }
  function byHand(): void {
    picked.value = -1;
  }
  return { answer, solving, solveMs, trouble, picked, take, solve, byHand };
}
