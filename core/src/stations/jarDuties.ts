import { burpHours, SIGNS, type JarLid } from '../ferment';
import { addDays, daysBetween, daysSince } from '../plan';
import type { FermentFacts, FermentParams } from './ferment';
import type { Duty, StationView } from './station';

const BURP: Record<JarLid | 'unsaid', (hours: number) => string> = {
  airlock: () => 'Look at the airlock: water in it, nothing blocked',
  cloth: () => 'Look at the cloth: clean, dry, and tied down',
  closed: (h) => (h < 24 ? `Let the gas out, every ${h} hours` : 'Let the gas out, once a day'),
  unsaid: () => 'Let the gas out, or look at the airlock',
};
/** With nothing said of the lid it is asked for as long as most jars make gas. */
const UNSAID_DAYS = 10;

/** What a jar asks for on a day; one that is condemned asks for one thing only. */
export function jarDuties(v: StationView<FermentParams, FermentFacts>): Duty[] {
  const since = v.readings.filter((r) => r.pH !== undefined).map((r) => daysSince(v.from, r.at));
  const last = since.length > 0 ? Math.max(...since) : 0;
  const nextReading = addDays(v.from, Math.max(3, Math.floor(last) + 3));
  const day = daysBetween(v.from, v.today);
  const push = {
    key: `push-${day}`,
    text: 'Push everything under the brine',
    why: 'Floating pieces mould first.',
    due: v.today,
    minutes: 1,
    does: 'tick' as const,
  };
  const hours = burpHours(day, v.params.tempC, v.facts?.sugarMmol ?? 0);
  const burp = {
    key: `burp-${day}`,
    text: BURP[v.params.lid ?? 'unsaid'](hours ?? 24),
    why: 'The first week makes most of the gas.',
    due: v.today,
    minutes: 1,
    does: 'tick' as const,
  };
  const read = {
    key: `read-${since.length}`,
    text: `Read pH and temperature${since.length === 0 ? ' for the first time' : ' again'}`,
    why:
      since.length < 2
        ? 'Two readings two days apart say whether it works.'
        : 'A jar is judged by its readings, and each only speaks for its day.',
    due: nextReading,
    minutes: 5,
    does: 'read' as const,
  };
  const look = {
    key: `look-${day}`,
    text: 'Look and smell',
    why: 'Cloudy is normal. Fuzz or a rotten smell means: throw all of it away.',
    due: v.today,
    minutes: 1,
    does: 'look' as const,
  };
  const end = {
    key: 'ferment-end',
    text: `Measure twice, two days apart; drain at pH ${v.params.targetPh.toFixed(1)} or below`,
    why: 'Done means measured, settled and good to smell, not just the date.',
    due: v.to,
    does: 'work' as const,
  };
  if (v.active && v.facts?.judged.verdict === 'condemned') {
    const jars =
      v.jars.length > 1 ? 'Look at each jar, and throw away the one that has gone bad' : 'Throw this jar away, and do not taste it';
    return [{ ...look, key: 'discard', text: jars, why: v.facts.judged.sign ? SIGNS[v.facts.judged.sign].says : 'Its readings say so.' }];
  }
  return v.active ? [push, ...((v.params.lid === undefined ? day <= UNSAID_DAYS : hours !== null) ? [burp] : []), read, look, end] : [end];
}
