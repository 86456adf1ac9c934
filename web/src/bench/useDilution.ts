import { computed, ref, watch } from 'vue';
import { calibrateThreshold, dilutionLadder, estimateFromLadders, mixingPlan, ofMash } from '@roskel/core';
import { useSettings } from '../stores/settings';
import { keepHere, readHere } from '../ui/keepHere';

export type Step = 'what' | 'mix' | 'taste' | 'result';

interface Test {
  step: Step;
  /** What is tested: "batch:id", "lot:id", "label" or "other". */
  subject: string;
  guessShu: number;
  labelShu: number;
  people: number;
  consent: boolean;
  mixed: boolean[];
  /** Answers of each person, weakest rung first, and where the sauce stood at each rung (1 to 3). */
  answers: boolean[][];
  places: number[][];
  person: number;
}

const KEEP = 'roskel.bench.dilution';
const place = () => 1 + (crypto.getRandomValues(new Uint8Array(1))[0]! % 3);
const fresh = (): Test => ({
  step: 'what',
  subject: '',
  guessShu: 2000,
  labelShu: 2500,
  people: 1,
  consent: false,
  mixed: [],
  answers: [[]],
  places: [[place()]],
  person: 0,
});

/** The dilution test as it goes along: what is tested, the ladder, each person's way up, the estimate. Kept in this browser. */
export function useDilution() {
  /** Set by the page: one part of pods in so many of mash. */
  const mashParts = ref(1);
  const settings = useSettings();
  const test = ref<Test>({ ...fresh(), ...readHere<Partial<Test>>(KEEP) });
  watch(test, (t) => keepHere(KEEP, t), { deep: true });
  const ladder = computed(() =>
    dilutionLadder(test.value.subject === 'label' ? test.value.labelShu : test.value.guessShu / mashParts.value),
  );
  const plan = computed(() => mixingPlan(ladder.value, test.value.people));
  const answers = computed(() => test.value.answers[test.value.person] ?? []);
  const rung = computed(() => answers.value.length);
  /** Two hits in a row end a ladder, so does its top. */
  const personDone = (list: readonly boolean[]) => list.length >= ladder.value.length || (list.length >= 2 && list.at(-1)! && list.at(-2)!);
  const done = computed(() => personDone(answers.value));
  const saucePlace = computed(() => test.value.places[test.value.person]?.[rung.value] ?? 1);

  function begin() {
    const n = test.value.people;
    Object.assign(test.value, {
      answers: Array.from({ length: n }, () => []),
      places: Array.from({ length: n }, () => [place()]),
      person: 0,
      step: 'mix',
      mixed: plan.value.mixes.map(() => false),
    });
  }
  /** The cup the taster points at. */
  function choose(cup: number) {
    if (done.value) return;
    test.value.answers[test.value.person]!.push(cup === saucePlace.value);
    test.value.places[test.value.person]!.push(place());
  }
  function takeBack() {
    test.value.answers[test.value.person]!.pop();
    test.value.places[test.value.person]!.pop();
  }
  function nextPerson() {
    if (test.value.person + 1 < test.value.people) test.value.person++;
    else test.value.step = 'result';
  }
  const panel = computed(() => test.value.answers.filter((a) => a.length > 0));
  const estimate = computed(() =>
    panel.value.length > 0
      ? ofMash(estimateFromLadders(ladder.value, panel.value, settings.value.threshold ?? undefined), mashParts.value)
      : null,
  );
  const threshold = computed(() => (panel.value.length > 0 ? calibrateThreshold(ladder.value, panel.value, test.value.labelShu) : null));
  function restart() {
    test.value = fresh();
  }
  return {
    test,
    mashParts,
    ladder,
    plan,
    answers,
    rung,
    done,
    saucePlace,
    estimate,
    threshold,
    begin,
    choose,
    takeBack,
    nextPerson,
    restart,
  };
}
