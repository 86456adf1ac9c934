import { Type, type Static } from '@sinclair/typebox';
import { handlingPods } from '../caution';
import { podVariance, PREPARATIONS, retained, type Preparation } from '../heat';
import { part, mix, split, EMPTY, type Stream } from '../matter/stream';
import { lotShu, lotStream, podsIn, type PodLot } from '../pantry';
import { station, StationProblem, type Flow, type Outcome } from './station';

const schema = Type.Object(
  {
    pods: Type.Array(
      Type.Object(
        {
          lotId: Type.String({ minLength: 1, maxLength: 64 }),
          massG: Type.Number({ title: 'The mass of pods', minimum: 0, maximum: 50_000, unit: 'g' }),
          prep: Type.Union(
            PREPARATIONS.map((p) => Type.Literal(p)),
            { title: 'The knife work' },
          ),
        },
        { additionalProperties: false },
      ),
      { maxItems: 30 },
    ),
  },
  { additionalProperties: false },
);
export type PrepParams = Static<typeof schema>;

/** One lot under the knife: what stays, and the stems, seeds and ribs that go. */
function cut(lot: PodLot, prep: Preparation, whole: Stream): { stays: Stream; goes: Stream } {
  const stem = lot.anatomy?.stem ?? 0;
  const stemmed = split(whole, stem);
  // Stems carry no heat (chapter 2: SHU is per g of the destemmed pod), so their load goes back to the pod.
  const pod: Stream = { ...stemmed.left, heatShuG: whole.heatShuG * (1 - stem) };
  const stalks: Stream = { ...stemmed.taken, heatShuG: 0 };
  const kept = retained(prep, lot.capsaicinoidClass, lot.anatomy);
  const gone = part(pod, {
    share: () => 1 - kept.mass,
    heat: 1 - kept.heat,
    sidEq: pod.sidEq * (1 - kept.mass),
    ledger: 1 - kept.mass,
  });
  return { stays: gone.left, goes: mix(stalks, gone.taken) };
}

/** Wash, stem, cut: pods come in whole, stems and what is cored go out. */
export const prep = station<PrepParams>({
  kind: 'prep',
  name: 'Prep',
  verb: 'Wash, stem and cut',
  schema,
  defaults: () => ({ pods: [] }),
  days: () => 0,
  resize: (p, f) => ({ pods: p.pods.map((x) => ({ ...x, massG: x.massG * f })) }),
  needs: (p) => p.pods.filter((x) => x.massG > 0).map((x) => ({ store: 'pods', id: x.lotId, massG: x.massG })),
  names: (p) => ({ lots: p.pods.map((x) => x.lotId), ingredients: [] }),
  apply(input, params, context): Outcome {
    const additions: Flow[] = [];
    const kept: Stream[] = [input];
    const gone: Stream[] = [];
    let hottest = 0;
    let pods = 0;
    if (context.log.doneOn !== undefined && !params.pods.some((p) => p.massG > 0)) {
      throw new StationProblem('log/doneOn', 'There is nothing to cut yet. Choose the pods first.');
    }
    params.pods.forEach((entry, i) => {
      if (!(entry.massG > 0)) return;
      if (params.pods.findIndex((p) => p.lotId === entry.lotId) !== i) {
        throw new StationProblem(`pods/${i}/lotId`, 'This lot is listed twice. Give each lot one line.');
      }
      const lot = context.lot(entry.lotId);
      const n = podsIn(lot, entry.massG);
      const podSd = Math.sqrt(podVariance(n));
      const whole = lotStream(lot, context.ingredient(lot.like), entry.massG, context.draw, podSd);
      // SHU per g refers to the destemmed pod; the stem's grams carry none of it (see `cut`).
      additions.push({ id: lot.id, name: lot.name, stream: { ...whole, heatShuG: whole.heatShuG * (1 - (lot.anatomy?.stem ?? 0)) } });
      const { stays, goes } = cut(lot, entry.prep, whole);
      kept.push(stays);
      gone.push(goes);
      hottest = Math.max(hottest, lotShu(lot));
      if (Number.isFinite(n)) pods += n;
    });
    const trimmings = mix(EMPTY, ...gone);
    return {
      out: mix(...kept),
      additions,
      sides: gone.length > 0 ? [{ id: 'trimmings', name: 'stems and cores', stream: trimmings }] : [],
      facts: { hottestShu: hottest, pods: Math.round(pods), lots: additions.length },
    };
  },
  duties: (v) => [
    {
      key: 'prep',
      text: 'Wash, stem and cut the pods',
      why: 'Soft or mouldy pods go out now. One bad pod can spoil the jar.',
      due: v.to,
    },
  ],
  cautions: (v) => handlingPods(Number(v.facts.hottestShu ?? 0)),
});
