import { HOUSE_PH, LEGAL_PH } from '../ferment/forecast';
import type { Caution } from './caution';

export interface BottledSauce {
  /** pH as predicted or measured; null when there is none. */
  pH: number | null;
  measured: boolean;
  instrument: 'meter' | 'strip' | null;
  /** Held at 82 °C or more for 10 minutes and filled hot. */
  hotFilled: boolean;
  fermented: boolean;
  /** Oil went in, beside garlic, herbs or pods. */
  underOil: boolean;
}

/** Where a sauce may be kept and how long; never more than what was measured allows. */
export interface Keeping {
  place: 'fridge' | 'freezer or a week in the fridge' | 'cool cupboard, fridge once open';
  days: number;
  text: string;
}

/** Strips are read on the next worse row unless they show 3.6 or less (chapter 4, section 6). */
function row(s: BottledSauce): 'unread' | 'acid' | 'near' | 'low' {
  if (!s.measured || s.pH === null) return 'unread';
  const strip = s.instrument !== 'meter';
  if (s.pH > LEGAL_PH) return 'low';
  if (s.pH > HOUSE_PH) return strip ? 'low' : 'near';
  return strip && s.pH > 3.6 ? 'near' : 'acid';
}

/**
 * How a bottled sauce keeps (chapter 4, section 6 table). A pH that was not measured never leaves the fridge
 * row, and nothing here is ever called shelf stable.
 */
export function keepingOf(s: BottledSauce): Keeping {
  const r = row(s);
  if (r === 'low')
    return { place: 'freezer or a week in the fridge', days: 7, text: 'Freeze it, or eat it within a week from the fridge.' };
  if (r === 'unread') return { place: 'fridge', days: 14, text: 'Fridge, two weeks. No pH was measured, so nothing better can be said.' };
  if (s.underOil) return { place: 'fridge', days: 7, text: 'Fridge, one week: garlic, herbs or pods with oil.' };
  if (r === 'near') return { place: 'fridge', days: 60, text: 'Fridge, two months. The acid leaves little margin.' };
  if (!s.hotFilled) return { place: 'fridge', days: 180, text: 'Fridge, about half a year. It is live: open it now and then.' };
  return {
    place: 'cool cupboard, fridge once open',
    days: 180,
    text: 'Measured acid and filled hot: a cool cupboard for about half a year if you follow a tested recipe, the fridge once open.',
  };
}

/** Cautions at the bottle: acid, unread pH, live pressure, oil, and the limits of home guidance. */
export function bottling(s: BottledSauce): Caution[] {
  const out: Caution[] = [];
  const r = row(s);
  const ph = s.pH === null ? '' : s.pH.toFixed(s.measured ? 2 : 1);
  if (r === 'low' || (r === 'unread' && s.pH !== null && s.pH > LEGAL_PH)) {
    out.push({
      id: 'botulism',
      severity: 'danger',
      text: 'Do not keep this at room temperature. Freeze it, or refrigerate and eat within a week.',
      why: `pH ${ph}${s.measured ? '' : ' (predicted)'} is not safely below 4.6, where botulism cannot grow.`,
      authority: 'US 21 CFR 114.3',
    });
  } else if (r === 'near') {
    out.push({
      id: 'acid-margin',
      severity: 'caution',
      text: 'Add vinegar, blend, wait and measure again. Until then keep it in the fridge.',
      why: `pH ${ph} leaves little margin below 4.6.`,
      authority: 'common practice',
    });
  }
  if (r === 'unread') {
    out.push({
      id: 'ph-unmeasured',
      severity: 'caution',
      text: 'Measure the pH of the blended sauce at 25 °C with a calibrated meter.',
      why: 'A computed pH never makes a sauce keep. Until it is measured: fridge.',
      authority: 'US 21 CFR 114; common practice',
    });
  }
  if (s.fermented && !s.hotFilled) {
    out.push({
      id: 'live-pressure',
      severity: 'danger',
      text: 'Keep these bottles cold, use vented caps, open them over a sink every few days.',
      why: 'The sauce is live. Gas builds up and glass can burst.',
      authority: 'common practice',
    });
  }
  if (s.hotFilled) {
    out.push({
      id: 'scald',
      severity: 'caution',
      text: 'Hold the sauce at 82 °C or more for 10 minutes, fill hot into hot clean bottles, wear sleeves.',
      why: 'Hot sauce scalds, cold glass cracks. pH rises a little: measure after heating too.',
      authority: 'common practice; USDA Complete Guide for pickles (from memory)',
    });
  }
  if (s.underOil) {
    out.push({
      id: 'garlic-oil',
      severity: 'danger',
      text: 'Fridge only, one week.',
      why: 'Oil keeps acid away from garlic, herbs and pods; botulism can grow there.',
      authority: 'USDA / NCHFP guidance (from memory)',
    });
  }
  out.push({
    id: 'home-only',
    severity: 'note',
    text: 'This is guidance for your own kitchen. Before selling or giving widely, ask your local food office or a process authority.',
    why: 'Local food law decides, not this program.',
    authority: 'local codes',
  });
  return out;
}
