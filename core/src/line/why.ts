import { stationKind } from '../stations';
import { stationIn, type BatchFile } from '../file';
import type { TopicId } from '../topic';
import type { Banded } from '../parcel';
import type { LineReport, StationReport } from './report';

/** Why a number is what it is: what it was computed from, in which way, and on whose word. */
export interface Why {
  title: string;
  from: string[];
  formula: string;
  assumed: string[];
  source: string;
  /** Where the guide says more. */
  guide: TopicId;
}

const HOW: Record<Banded, { what: string; formula: string; source: string; assumed: string[]; guide: TopicId }> = {
  massG: {
    guide: 'what-leaves',
    what: 'Mass',
    formula: 'what came in + additions - what left = what goes on',
    source: 'mass balance, checked at every station to a billionth',
    assumed: [],
  },
  heatShu: {
    guide: 'numbers-of-heat',
    what: 'Heat',
    formula: 'SHU = sum of (grams x SHU of the dry matter x dry share x kept) / mass of sauce',
    source: 'loads add, SHU values do not (handbook chapter 2); SHU factors of ASTA 21.3',
    assumed: ['heat is counted on dry matter', 'pods of a lot differ: 5 to 95 % is a factor of two each way'],
  },
  pH: {
    guide: 'worked-out-acid',
    what: 'Acid',
    formula: 'the pH at which all charges cancel: strong ions + acids + water = 0',
    source: 'charge balance with activities (handbook chapter 3); pKa from Martell & Smith',
    assumed: ['each ingredient is anchored to its usual natural pH', 'blended and evened out'],
  },
  saltPct: {
    guide: 'salt-of-what',
    what: 'Salt',
    formula: 'grams of salt / grams of everything',
    source: 'mass balance; salt of ingredients from the table',
    assumed: ['salt spreads evenly through all water'],
  },
  sweetPct: {
    guide: 'sweetness',
    what: 'Sugar',
    formula: 'grams of sugars / grams of everything',
    source: 'mass balance; sugars from the table; what the jar eats from the jar model (chapter 4)',
    assumed: ['sugar content of the variety: common values, not measured'],
  },
  body: {
    guide: 'thickness',
    what: 'Body',
    formula: 'viscosity = syrup + pulp + starch + gum; one step is a factor of four',
    source: 'handbook chapter 5, section 9 (fitted to tomato concentrates, from memory)',
    assumed: ['at 20 °C', 'half a step either way for what nobody looked at', 'insolubles thicken by kind: pods 1.2, carrot 2, mango 3'],
  },
};

const g = (x: number) => `${x < 10 ? x.toFixed(1) : Math.round(x)} g`;

function flows(s: StationReport): string[] {
  return [
    `${g(s.inG)} came in`,
    ...s.additions.map((a) => `+ ${g(a.massG)} ${a.name}`),
    ...s.sides.map((x) => `- ${g(x.massG)} ${x.name}`),
  ];
}

/** The answer to "why?" for one property after one station of a report. Throws RangeError for an unknown station. */
export function whyOf(file: BatchFile, report: LineReport, stationId: string, what: Banded): Why {
  const s = report.stations.find((x) => x.id === stationId);
  const entry = stationIn(file, stationId);
  if (!s || !entry) throw new RangeError(`There is no station "${stationId}"`);
  const how = HOW[what];
  const from = flows(s);
  if (s.log.massG !== undefined) from.push(`weighed: ${g(s.log.massG)}, which replaces the prediction`);
  if (what === 'pH' && s.log.pH !== undefined) from.push(`measured: pH ${s.log.pH.toFixed(2)}, which replaces the prediction`);
  const lots = what === 'heatShu' ? file.lots.filter((l) => l.heat) : [];
  for (const l of lots) {
    const asIs = l.heat!.dryShu * (1 - l.waterPct / 100);
    from.push(
      `${l.name}: ${Math.round(l.heat!.dryShu / 1000)} thousand SHU dry, ${l.waterPct} % water, so about ${Math.round(asIs / 100) / 10} thousand as it is`,
    );
  }
  const band = s.band[what];
  const assumed = [...how.assumed];
  if (band) assumed.push(`the band is 10 to 90 % of ${report.members} batches with every unknown drawn anew`);
  if (what === 'pH' && !s.phMeasured) assumed.push('the band is never narrower than such predictions deserve, about 0.2 to 0.4');
  return {
    title: `${how.what} after ${stationKind(entry.kind).name.toLowerCase()}`,
    from,
    formula: how.formula,
    assumed,
    source: how.source,
    guide: how.guide,
  };
}
