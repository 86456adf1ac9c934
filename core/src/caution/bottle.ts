import { HEATED, heatTreatment } from '../cook';
import type { Cap, StationLog } from '../file';
import { keepingOf, live, type Sauce } from '../keep';
import { LEGAL_PH, MOST_ATM } from '../ferment';
import type { Caution } from './caution';

const days = (n: number) => (n === 7 ? 'a week' : `${['no', 'one', 'two', 'three', 'four', 'five', 'six'][n] ?? n} days`);

/** The caution of bottles in which something lives. */
export const LIVE_CAUTION = 'live-pressure';

/** Cautions at the bottle: acid, unread pH, live pressure, oil, heat, and the limits of home guidance. */
export function bottling(s: Sauce): Caution[] {
  const out: Caution[] = [];
  const keep = keepingOf(s);
  const ph = s.pH === null ? '' : s.pH.toFixed(s.acidity === 'unread' ? 1 : 2);
  const unread = s.acidity === 'unread';
  const few = Math.min(7, keep.days);
  if (s.acidity === 'low' || (unread && s.pH !== null && s.pH > LEGAL_PH)) {
    out.push({
      id: 'botulism',
      guide: 'botulism',
      severity: 'danger',
      text: `Do not keep this at room temperature. Freeze it, or refrigerate and eat within ${days(few)}.`,
      why: `pH ${ph}${unread ? ' (predicted)' : s.meter ? '' : ' by a strip'} is not safely below 4.6, where botulism cannot grow.`,
      authority: 'US 21 CFR 114.3',
      keep: { place: 'fridge', days: few },
    });
  } else if (s.acidity === 'near') {
    out.push({
      id: 'acid-margin',
      guide: 'measured',
      severity: 'caution',
      text: 'Add vinegar, blend, wait and measure again. Until then keep it in the fridge.',
      why: `pH ${ph}${s.meter ? '' : ' by a strip'} leaves little margin below 4.6.`,
      authority: 'common practice',
      keep: { place: 'fridge', days: 30 },
    });
  }
  if (unread) {
    out.push({
      id: 'ph-unmeasured',
      guide: 'measured',
      severity: 'caution',
      text: 'Measure the pH of the finished, blended sauce at 25 °C with a calibrated meter.',
      why: 'A computed pH never makes a sauce keep. Until it is measured: fridge.',
      authority: 'US 21 CFR 114; common practice',
      keep: { place: 'fridge', days: 14 },
    });
  }
  if (live(s)) {
    out.push({
      id: LIVE_CAUTION,
      guide: 'live',
      severity: 'danger',
      text: 'Keep these bottles cold, use vented caps, open them over a sink every few days.',
      why: 'The sauce is live. Gas builds up and glass can burst.',
      authority: 'common practice',
      keep: { place: 'fridge', days: 180 },
    });
    if (['fruit', 'onion', 'tomato', 'vegetable'].some((f) => s.past.fresh.has(f as 'fruit'))) {
      out.push({
        id: 'live-sugar',
        guide: 'glass-under-pressure',
        severity: 'danger',
        text: 'Fruit or fresh vegetables went into a live sauce: open the bottles daily for the first week, or cook it.',
        why: 'Their sugar feeds the ferment in the closed bottle.',
        authority: 'common practice',
        keep: { place: 'fridge', days: 180 },
      });
    }
  }
  if (s.hot || s.past.cooked !== 'no') {
    out.push({
      id: 'scald',
      guide: 'hot-fill',
      severity: 'caution',
      text: s.hot
        ? 'Hold the sauce at 82 °C or more for 10 minutes, fill hot into hot clean bottles, wear sleeves.'
        : 'Cooked sauce that is filled cold goes into clean bottles and the fridge. Let it cool quickly, and wear sleeves at the pot.',
      why: 'Hot sauce scalds, cold glass cracks. Heating drives acid off: only a pH measured afterwards, on a cooled sample, counts.',
      authority: 'common practice; USDA Complete Guide for pickles',
    });
  }
  if (s.past.freeOilG > 0) {
    out.push({
      id: 'garlic-oil',
      guide: 'garlic-in-oil',
      severity: 'danger',
      text: `Fridge only, and gone within ${days(few)}; never at room temperature.`,
      why: 'Oil keeps acid away from garlic, herbs and pods; botulism can grow there.',
      authority: 'USDA / NCHFP guidance',
      keep: { place: 'fridge', days: keep.days },
    });
  }
  out.push({
    id: 'home-only',
    guide: 'giving',
    severity: 'note',
    text: 'This is guidance for your own kitchen. Before selling or giving widely, ask your local food office or a process authority.',
    why: 'Local food law decides, not this program.',
    authority: 'local codes',
  });
  return out;
}

/** What the gas of a live sauce may press, against the bottle and its cap. */
export function bottlePressure(p: { sugarGPerL: number; fridge: number; room: number; warm: number } | null, cap: Cap | null): Caution[] {
  if (!p || p.warm <= MOST_ATM || cap === 'vented') return [];
  const atm = (x: number) => (x < 10 ? x.toFixed(1) : String(Math.round(x)));
  return [
    {
      id: 'pressure',
      guide: 'glass-under-pressure',
      severity: 'danger',
      text: `A closed bottle may come to ${atm(p.fridge)} atm in the fridge and ${atm(p.room)} at room temperature; it should never hold more than ${MOST_ATM}. Use vented caps, or open each bottle over the sink.`,
      why: `About ${p.sugarGPerL.toFixed(0)} g of sugar a litre are left by what went in. If yeast takes all of it, glass can burst.`,
      authority: 'Henry\u2019s law; common practice',
      keep: { place: 'fridge', days: 180 },
    },
  ];
}

/** A temperature log that does not show what hot filling asks for. */
export function notHeated(log: StationLog): Caution[] {
  const cold = log.fillC !== undefined && log.fillC < HEATED.c;
  const t = log.heat ? heatTreatment(log.heat) : null;
  if (!cold && (!t || t.enough)) return [];
  const why =
    t && !t.enough
      ? `The log shows ${t.heldMin.toFixed(1)} minutes at ${HEATED.c} °C or more; ${HEATED.min} without a break are asked for.`
      : `It was filled at ${log.fillC!.toFixed(0)} °C; ${HEATED.c} °C or more are asked for.`;
  return [
    {
      id: 'not-heated',
      guide: 'hot-fill',
      severity: 'caution',
      text:
        t && !t.enough
          ? 'Not heated through: it keeps as if it had not been. Heat it again, or keep it cold.'
          : 'Not filled hot: keep it in the fridge.',
      why,
      authority: 'common practice; USDA Complete Guide for pickles',
      keep: { place: 'fridge', days: 180 },
    },
  ];
}
