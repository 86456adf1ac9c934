import { HEATED, heatTreatment } from '../cook';
import type { Cap, StationLog } from '../file';
import { live, type Keeping, type Sauce } from '../keep';
import type { Food } from '../matter/food';
import { LEGAL_PH, MOST_ATM } from '../ferment';
import type { Caution } from './caution';

const FRESH_SUGAR: readonly Food[] = ['fruit', 'onion', 'tomato', 'vegetable'];

/**
 * Cautions at the bottle: acid, unread pH, live pressure, oil, heat, and the limits of home guidance. Days are those of the
 * keeping and of nothing else.
 */
export function bottling(s: Sauce, keeping: Pick<Keeping, 'place' | 'days'>): Caution[] {
  const out: Caution[] = [];
  if (keeping.place === 'bin') return [homeOnly];
  const within =
    keeping.days === 0 ? 'today' : `within ${keeping.days === 7 ? 'a week' : keeping.days === 1 ? 'a day' : `${keeping.days} days`}`;
  const ph = s.pH === null ? '' : s.pH.toFixed(s.acidity === 'unread' ? 1 : 2);
  const by = s.meter ? '' : ' by a strip';
  const unread = s.acidity === 'unread';
  if (s.acidity === 'low' || (unread && s.pH !== null && s.pH > LEGAL_PH)) {
    const near = s.pH !== null && s.pH <= LEGAL_PH;
    out.push({
      id: 'botulism',
      guide: 'botulism',
      severity: 'danger',
      text: `Do not keep this at room temperature. Freeze it, or refrigerate and eat ${within}.`,
      why: `pH ${ph}${unread ? ' (predicted)' : by} is not ${near ? 'surely' : 'safely'} below 4.6, where botulism cannot grow.`,
      authority: 'US 21 CFR 114.3',
    });
  } else if (s.acidity === 'near') {
    out.push({
      id: 'acid-margin',
      guide: 'measured',
      severity: 'caution',
      text: s.stale
        ? 'Calibrate the meter and measure again. Until then keep it in the fridge.'
        : 'Add vinegar, blend, wait and measure again. Until then keep it in the fridge.',
      why: s.stale
        ? `pH ${ph} may be low enough; the age of the calibration leaves that open.`
        : `pH ${ph}${by} leaves little margin below 4.6.`,
      authority: 'common practice',
    });
  }
  if (unread) {
    out.push({
      id: 'ph-unmeasured',
      guide: 'measured',
      severity: 'caution',
      text: s.past.ph
        ? 'Measure the pH of a blended sample at 25 °C, and say that it was blended.'
        : 'Measure the pH of the finished, blended sauce at 25 °C with a calibrated meter.',
      why: s.past.ph
        ? 'What is read in pieces is the liquid between them.'
        : 'A computed pH never makes a sauce keep. Until it is measured: fridge.',
      authority: 'US 21 CFR 114; common practice',
    });
  }
  if (live(s)) {
    out.push({
      id: 'live-pressure',
      guide: 'live',
      severity: 'danger',
      text: 'Keep these bottles cold, use vented caps, open them over a sink every few days.',
      why: 'The sauce is live. Gas builds up and glass can burst.',
      authority: 'common practice',
    });
    if (FRESH_SUGAR.some((f) => s.past.fresh.has(f))) {
      out.push({
        id: 'live-sugar',
        guide: 'glass-under-pressure',
        severity: 'danger',
        text: 'Fruit or fresh vegetables went into a live sauce: open the bottles daily for the first week, or cook it.',
        why: 'Their sugar feeds the ferment in the closed bottle.',
        authority: 'common practice',
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
      text: `Fridge only, and gone ${within}; never at room temperature.`,
      why: 'Oil keeps acid away from garlic, herbs and pods; botulism can grow there.',
      authority: 'USDA / NCHFP guidance',
    });
  }
  return [...out, homeOnly];
}

const homeOnly: Caution = {
  id: 'home-only',
  guide: 'giving',
  severity: 'note',
  text: 'This is guidance for your own kitchen. Before selling or giving widely, ask your local food office or a process authority.',
  why: 'Local food law decides, not this program.',
  authority: 'local codes',
};

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
    },
  ];
}

/** A filling that was to be hot and was not, or of which nobody said how hot it was. */
export function notHeated(log: StationLog, hot: boolean | null): Caution[] {
  if (hot === true) return [];
  const t = log.heat ? heatTreatment(log.heat) : null;
  const short = t && !t.enough;
  return [
    {
      id: 'not-heated',
      guide: 'hot-fill',
      severity: 'caution',
      text: short
        ? 'Not heated through: it keeps as if it had not been. Heat it again, or keep it cold.'
        : hot === false
          ? 'Not filled hot: keep it in the fridge.'
          : 'Say how hot it was when it was filled. Until then it counts as filled cold.',
      why: short
        ? `The log shows ${t.heldMin.toFixed(1)} minutes at ${HEATED.c} °C or more; ${HEATED.min} without a break are asked for.`
        : hot === false
          ? `It was filled at ${(log.fillC ?? 0).toFixed(0)} °C; ${HEATED.c} °C or more are asked for.`
          : 'Only a thermometer says that it was hot enough.',
      authority: 'common practice; USDA Complete Guide for pickles',
    },
  ];
}
