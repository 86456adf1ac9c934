import {
  addDays,
  cardJsonLd,
  cardText,
  endOf,
  labelOf,
  lastGoodDay,
  LineProblem,
  NoLabel,
  recipeCard,
  reportLine,
  standingOf,
  stationOf,
  type BatchFile,
  type Day,
  type LineReport,
  type TypicalEnd,
} from '../src';

/** What no batch may show, by name: of its bands, of the clock of keeping, and of places that tell the same thing. */
export type Fault = 'not finite' | 'disordered' | 'cupboard without evidence' | 'clock' | 'told twice';
export interface Found {
  faults: [Fault, string][];
  /** pH bands, and those whose middle is more than 0.3 from the typical pH. */
  bands: number;
  apart: number;
}

/** Bands: finite, in order, their middle near the typical world. */
function bandFaults(report: LineReport, found: Found) {
  for (const s of report.stations)
    for (const [what, band] of Object.entries(s.band)) {
      if (!band) continue;
      const all = [band.p10, band.p50, band.p90];
      if (!all.every(Number.isFinite)) found.faults.push(['not finite', `${s.id} ${what}`]);
      if (band.p10 > band.p50 + 1e-9 || band.p50 > band.p90 + 1e-9) found.faults.push(['disordered', `${s.id} ${what}`]);
      if (what !== 'pH' || s.now.pH === null) continue;
      found.bands++;
      if (Math.abs(band.p50 - s.now.pH) > 0.3) found.apart++;
    }
}

/**
 * The clock, by the days of the file and the longest that anything keeps, worked out apart from the product: half a year, two
 * weeks where nothing was measured; of what was not heated, from the day on which it was cut up or came out of its jar.
 */
function clockFaults(file: BatchFile, report: LineReport, end: TypicalEnd, today: Day, found: Found) {
  const keeping = end.keeping!;
  const last = stationOf(report, end.stationId);
  const most = last.phMeasured ? 180 : 14;
  const say = (what: string) => found.faults.push(['clock', `${what}: ${keeping.place}, by ${keeping.useBy}. ${keeping.text}`]);
  // What is not done yet is not done before today.
  const on = (s: { to: Day; done: boolean }) => (s.done || s.to > today ? s.to : today);
  if (keeping.useBy > addDays(on(last), most) && keeping.place !== 'bin') say(`more than ${most} days`);
  if (keeping.place === 'bin' || end.state === 'filled hot' || end.state === 'cooked, filled cold') return;
  const strand = file.strands.find((s) => s.id === end.strandId)!;
  const opens = strand.stations.find((s) => s.kind === 'ferment') ?? strand.stations.find((s) => s.kind === 'blend');
  // What the jar held, where it held anything, else what was blended.
  const from = opens && stationOf(report, opens.id);
  // Salted flakes are a packet still: less than a quarter of them is water.
  const waterPct = ({ saltPct, waterPhaseSaltPct }: { saltPct: number; waterPhaseSaltPct: number }) =>
    saltPct * (100 / waterPhaseSaltPct - 1);
  const wet = from && (from.now.saltPct > 0 ? waterPct(from.now) > 25 : file.lots.some((l) => l.waterPct > 25));
  if (from && wet && from.bowlG > 0 && keeping.useBy > addDays(on(from), most))
    say(`more than ${most} days from ${on(from)}, when its jar was opened`);
  for (const { entry, stored } of strand.stations.flatMap((entry) => entry.intakes.map((i) => ({ entry, stored: i.origin }))))
    if (stored.from === 'stored' && (stationOf(report, entry.id).enters.grams['kept'] ?? 0) > 0) {
      const kept = file.stored.find((x) => x.id === stored.id)!;
      if (keeping.useBy > addDays(kept.keptOn, most)) say(`more than ${most} days from ${kept.keptOn}, when ${kept.name} was kept`);
      if (on(stationOf(report, entry.id)) > kept.useBy) say(`${kept.name} went in past its day, ${kept.useBy}`);
    }
}

/** Places that tell how an end keeps: each says what the keeping says. */
function toldFaults(file: BatchFile, report: LineReport, end: TypicalEnd, today: Day, found: Found) {
  const keeping = end.keeping!;
  const differ = (where: string, said: string) => found.faults.push(['told twice', `${where} says "${said}", keeping: ${keeping.text}`]);
  const at = stationOf(report, end.stationId);
  const own = at.log.ownUntil;
  const days = keeping.days === 0 ? 'today' : keeping.days === 7 ? 'a week' : keeping.days === 1 ? 'a day' : `${keeping.days} days`;
  for (const c of at.cautions) {
    const within = /eat (today|within ([\w ]+?))\./i.exec(c.text);
    if (within && !c.carries && (within[2] ?? 'today') !== days) differ('a caution', c.text);
    if (c.keep && keeping.place !== 'bin' && (keeping.days > c.keep.days || (c.keep.place === 'fridge' && keeping.place === 'cupboard')))
      differ('a limit of a caution', `${c.keep.place} ${c.keep.days}`);
  }
  for (const d of report.duties)
    if (d.stationId === end.stationId && /^(Fridge|A cool cupboard|Eat it|Throw it)/.test(d.why) && d.why !== keeping.text)
      differ('a duty', d.why);
  const filledOn = endOf(file.strands.find((s) => s.id === end.strandId)!).log.doneOn;
  if (filledOn === undefined) return;
  const good = lastGoodDay(keeping, filledOn, own);
  const shelf = standingOf(keeping, filledOn, own);
  if (shelf.useBy !== good || shelf.text !== keeping.text) differ('the shelf', `${shelf.useBy} ${shelf.text}`);
  try {
    const label = labelOf(file, end.strandId, today);
    if (label.date.on !== good || label.reason !== keeping.text) differ('the label', `${label.date.on} ${label.reason}`);
    if (keeping.place === 'bin') differ('the label', 'anything at all');
  } catch (e) {
    if (!(e instanceof NoLabel)) throw e;
  }
}

/** The card is the batch with nothing done and nothing measured: it says what such a batch keeps, in text and in JSON-LD. */
function cardFaults(file: BatchFile, today: Day, found: Found) {
  const card = recipeCard(file, today);
  const said = [cardText(card), JSON.stringify(cardJsonLd(card))];
  const bare = {
    ...file,
    readings: [],
    dutiesDone: [],
    strands: file.strands.map((s) => ({ ...s, stations: s.stations.map((x) => ({ ...x, log: {} })) })),
  };
  for (const e of reportLine(bare, { today, members: 2, forecast: false }).ends) {
    if (!e.keeping) continue;
    const first = e.keeping.text.split('. ')[0]!;
    for (const s of said) if (!s.includes(first)) found.faults.push(['told twice', `the card lacks "${first}"`]);
  }
}

/** Everything that is wrong with what a batch shows; null where its line stops with a sentence at a field. */
export function faultsOf(file: BatchFile, o: { today: Day; members: number; forecast: boolean; card?: boolean }): Found | null {
  const found: Found = { faults: [], bands: 0, apart: 0 };
  try {
    const report = reportLine(file, o);
    bandFaults(report, found);
    for (const end of report.ends) {
      if (!end.keeping) continue;
      const at = stationOf(report, end.stationId);
      const evidence = at.phMeasured && (at.log.pH ?? 9) <= 4 && at.log.instrument === 'meter';
      if (end.keeping.place === 'cupboard' && !evidence) found.faults.push(['cupboard without evidence', end.keeping.text]);
      clockFaults(file, report, end, o.today, found);
      toldFaults(file, report, end, o.today, found);
    }
    if (o.card) cardFaults(file, o.today, found);
    return found;
  } catch (e) {
    if (e instanceof LineProblem) return null;
    throw e;
  }
}
