import { burpHours, gasLitres, type JarLid, type Passed } from '../ferment';
import { readyAfter } from './planBack';
import { addDays, type Day } from '../plan/date';
import { oddsText } from '../stat';
import type { JarForecast } from './report';

/** Sentences about a jar's forecast: each says what, then why. Days as ISO, temperatures in °C. */
const when = (from: Day, d: number): Day => addDays(from, d);

const days = (n: number): string => (Math.round(n) === 1 ? '1 day' : `${Math.round(n)} days`);

/** What readings show is a fact, and no forecast stands beside it. */
export function passedText(p: Passed, from: Day): string {
  const by = when(from, Math.floor(p.by));
  return p.after === null ? `by ${by}, as read` : `between ${when(from, Math.floor(p.after))} and ${by}, as read`;
}

/** What stands in place of a forecast where nothing sours, or all of it is to be thrown away; null where a forecast may stand. */
export function unsouredText(f: JarForecast): string | null {
  if (f.condemned) return 'What was read or seen says to throw it away: no forecast stands beside that.';
  if (f.sours) return null;
  return `Nothing sours here: ${f.asked.conditions.saltPct.toFixed(0)} % salt in its water keeps it raw. A pH that is read is that of the pods and the salt, and says nothing of keeping.`;
}

export function readyText(f: JarForecast, from: Day, now: number | null): string {
  if (f.passed.target)
    return `pH ${f.asked.targetPh.toFixed(1)} was reached ${passedText(f.passed.target, from)}. Two readings two days apart make it sure.`;
  const { from: a, to: b } = f.ready;
  if (a === null) return `Not likely within ${f.days.at(-1)} days. Warmer, or less salt, would help.`;
  if (b === null) {
    // The same odds as those of any other day: what goes wrong is none that is ready.
    const last = Math.floor(f.days.at(-1)!);
    return `from about ${when(from, a)}; ${oddsText(readyAfter(f, last))} are within ${last} days.`;
  }
  return `between ${when(from, a)} and ${when(from, b)}.${now !== null && b < now ? ' That is past: read it now.' : ''}`;
}

export function legalText(f: JarForecast, from: Day): string {
  if (f.passed.legal) return passedText(f.passed.legal, from);
  const c = f.crossings.legal;
  if (c.p50 === null) return 'not within sight';
  if (c.p50 === 0) return 'from the start, by what went in';
  return `about day ${Math.round(c.p10 ?? c.p50)} to ${c.p90 === null ? 'late' : Math.round(c.p90)}`;
}

/** How the readings sit with what jars do; empty where there is nothing to say. */
export function fitText(f: JarForecast, from: Day): string {
  switch (f.fit) {
    case 'one is off': {
      const off = f.seen.filter((s) => s.doubt > 0.5).map((s) => `pH ${s.pH.toFixed(2)} of ${when(from, Math.floor(s.day))}`);
      return `${off.join(' and ')} does not fit the others, and counts for little. Calibrate and read again.`;
    }
    case 'no known jar':
      return 'These readings fit no jar that is known here: a starter nobody noted, another brine, or a meter that is off. Calibrate and read again before you go by the forecast.';
    case 'rises':
      return 'The pH rose, which no souring jar does: the forecast goes by the readings before that. Calibrate and read again today.';
    case 'fits':
    case 'unread':
      return '';
  }
}

/** What one more reading would bring, and when. */
export function nextText(f: JarForecast, from: Day, now: number | null): string {
  if (!f.next) return '';
  const off = Math.round(100 * (1 - f.next.leaves));
  const soon = now !== null && f.next.day <= now + 1 ? 'today or tomorrow' : `on ${when(from, f.next.day)}`;
  return `A reading ${soon} tells most: it takes about ${off} % off the doubt in when it is ready.`;
}

export function warmthText(f: JarForecast): string {
  const w = f.warmth;
  if (!w) return '';
  const than = `It stood at ${w.meanC.toFixed(1)} °C on average; the plan had ${Math.round(w.plannedC)} °C.`;
  // What was read was read at that temperature: a jar that soured in the cold is a lively one.
  const learnt =
    f.seen.length === 0
      ? ''
      : w.meanC < w.plannedC
        ? ' What it soured so far it soured in the cold: it is the livelier for it.'
        : ' What it soured so far the warmth did: it is the slower for it.';
  if (w.laterDays === null || Math.abs(w.laterDays) < 0.5) return `${than}${learnt}`;
  return `${than}${learnt} Had it stood as planned, it would be ready about ${days(Math.abs(w.laterDays))} ${w.laterDays > 0 ? 'sooner' : 'later'}.`;
}

/** Gas now, and how often the lid wants opening. */
export function gasText(f: JarForecast, litres: number, now: number | null, lid: JarLid | undefined): string {
  const at = Math.max(0, now ?? 2);
  const i = f.days.findIndex((d) => d >= at);
  const g = f.gas[i < 0 ? f.gas.length - 1 : i]!;
  const l = (mmol: number) => gasLitres(mmol, litres, f.asked.tempC);
  const range = l(g.p90) < 0.05 ? 'next to none' : `${l(g.p10).toFixed(1)} to ${l(g.p90).toFixed(1)} litres a day`;
  const hours = burpHours(at, f.asked.tempC, f.asked.conditions.sugarMmol);
  const rhythm =
    lid === 'airlock' || lid === 'cloth'
      ? `The ${lid} lets it out.`
      : hours === null
        ? 'A closed lid: open it now and then all the same.'
        : `A closed lid: open it every ${hours} hours.`;
  return `Gas ${now === null ? 'at its most' : 'now'}: ${range}. ${rhythm}`;
}
