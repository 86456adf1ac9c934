import { Type, type Static } from '@sinclair/typebox';
import { bitterSeeds, handlingPods } from '../caution';
import { FIRE, FIRES, podVariance, PREPARATIONS, retained, seedShare, type Fire, type Preparation } from '../heat';
import { noGrams } from '../matter/component';
import { part, massOf, mix, split, EMPTY, type Stream } from '../matter/stream';
import { join, lotFoods, lotOil, parcel, type Parcel } from '../parcel';
import { lotShu, lotStream, podsIn, prepSd, thirstPerGram, type PodLot } from '../pantry';
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
          fire: Type.Optional(
            Type.Union(
              FIRES.map((f) => Type.Literal(f)),
              { title: 'Fire or water' },
            ),
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

export interface PrepFacts {
  hottestShu: number;
  pods: number;
  lots: number;
  /** Share of seed in what is left of the pods. */
  seedShare: number;
}

/** One lot under the knife: what stays, and the stems, seeds and ribs that go. `luck` scales the heat that is kept. */
function cut(lot: PodLot, prep: Preparation, whole: Stream, luck: number): { stays: Stream; goes: Stream } {
  const stem = lot.anatomy?.stem ?? 0;
  const stemmed = split(whole, stem);
  // Stems carry no heat (chapter 2: SHU is per g of the destemmed pod), so their load goes back to the pod.
  const pod: Stream = { ...stemmed.left, heatShuG: whole.heatShuG * (1 - stem) };
  const stalks: Stream = { ...stemmed.taken, heatShuG: 0 };
  const kept = retained(prep, lot.capsaicinoidClass, lot.anatomy);
  const gone = part(pod, {
    share: () => 1 - kept.mass,
    heat: 1 - Math.min(1, kept.heat * luck),
    sidEq: pod.sidEq * (1 - kept.mass),
    ledger: 1 - kept.mass,
  });
  return { stays: gone.left, goes: mix(stalks, gone.taken) };
}

const plainWater = (massG: number): Stream => ({ ...EMPTY, grams: { ...noGrams(), water: massG } });

/** Fire drives water off, soaking puts it in; either costs a little heat. */
function fired(fire: Fire, pods: Stream): { out: Stream; steam: Stream; soaked: Stream; heatLossShuG: number } {
  const f = FIRE[fire];
  const steam = plainWater(pods.grams.water * f.dries);
  const soaked = plainWater(massOf(pods) * f.soaks);
  const heatLossShuG = pods.heatShuG * (1 - Math.min(1, f.heat.typical));
  const water = pods.grams.water - steam.grams.water + soaked.grams.water;
  return { out: { ...pods, grams: { ...pods.grams, water }, heatShuG: pods.heatShuG - heatLossShuG }, steam, soaked, heatLossShuG };
}

/** Wash, stem, cut: pods come in whole, stems and what is cored go out. */
export const prep = station<'prep', PrepParams, PrepFacts>({
  kind: 'prep',
  name: 'Prep',
  verb: 'Wash, stem and cut',
  schema,
  defaults: () => ({ pods: [] }),
  days: () => 0,
  resize: (p, f) => ({ pods: p.pods.map((x) => ({ ...x, massG: x.massG * f })) }),
  needs: (p) => p.pods.filter((x) => x.massG > 0).map((x) => ({ store: 'pods', id: x.lotId, massG: x.massG })),
  pods: { read: (p) => p.pods, write: (p, pods) => ({ ...p, pods }) },
  names: (p) => ({ lots: p.pods.map((x) => x.lotId), ingredients: [] }),
  apply(input, params, context): Outcome<PrepFacts> {
    const additions: Flow[] = [];
    const kept: Parcel[] = [input];
    const gone: Stream[] = [];
    const steams: Stream[] = [];
    const soaks: Stream[] = [];
    let heatLossShuG = 0;
    let hottest = 0;
    let pods = 0;
    let lots = 0;
    let seedG = 0;
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
      const foods = lotFoods(lot);
      // An own ferment came out of a jar of which nothing is known here.
      const ferment = lot.form === 'ferment' ? ('unread' as const) : null;
      const past = { foods, fresh: foods, freeOilG: entry.massG * lotOil(lot), ferment };
      const stream = { ...whole, heatShuG: whole.heatShuG * (1 - (lot.anatomy?.stem ?? 0)) };
      additions.push({ id: lot.id, name: lot.name, ...parcel(stream, past) });
      const fire = entry.fire ?? 'none';
      const luck = Math.exp(prepSd(lot, entry.prep, fire) * context.draw.z(`prep.${lot.id}`));
      const { stays, goes } = cut(lot, entry.prep, whole, luck);
      const hot = fired(fire, stays);
      const seeds = massOf(stays) * seedShare(entry.prep, lot.capsaicinoidClass, lot.anatomy);
      kept.push(parcel(hot.out, { ...past, seedG: seeds, thirstG: thirstPerGram(lot, fire) * massOf(stays) }));
      steams.push(hot.steam);
      soaks.push(hot.soaked);
      heatLossShuG += hot.heatLossShuG;
      gone.push(goes);
      lots++;
      seedG += seeds;
      hottest = Math.max(hottest, lotShu(lot));
      if (Number.isFinite(n)) pods += n;
    });
    const trimmings = mix(EMPTY, ...gone);
    const steam = mix(EMPTY, ...steams);
    const soaking = mix(EMPTY, ...soaks);
    if (massOf(soaking) > 0) additions.push({ id: 'soaking-water', name: 'soaking water', ...parcel(soaking) });
    const out = join(...kept);
    return {
      out,
      additions,
      sides: [
        ...(gone.length > 0 ? [{ id: 'trimmings', name: 'stems and cores', ...parcel(trimmings) }] : []),
        ...(massOf(steam) > 0 ? [{ id: 'steam', name: 'steam', ...parcel(steam) }] : []),
      ],
      heatLossShuG,
      facts: { hottestShu: hottest, pods: Math.round(pods), lots, seedShare: massOf(out.stream) > 0 ? seedG / massOf(out.stream) : 0 },
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
  cautions: (v) => (v.facts ? [...handlingPods(v.facts.hottestShu), ...bitterSeeds(v.facts.seedShare)] : []),
});
