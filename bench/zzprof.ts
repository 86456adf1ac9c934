import { addStation, choosePods, lotOfVariety, newBatch, prepareApart, reportLine, shareOut, useMix, variety, type PodChoice } from '@roskel/core';
const choices: PodChoice[] = ([['cayenne-red', 620], ['pointed-red', 900], ['fatalii', 130], ['lemon-drop', 210]] as [string, number][]).map(([id, stockG]) => ({ lot: lotOfVariety(variety(id), { id }), stockG, prep: 'whole', useFirst: false }));
const batch = newBatch('Bench', '2026-10-01', { lowShu: 2000, highShu: 5000, bottles: 10, bottleMl: 100 });
const grams = { 'cayenne-red': 400, 'pointed-red': 300, fatalii: 40, 'lemon-drop': 80 };
const line = useMix(batch, choices, grams);
const f = addStation(shareOut(prepareApart(line, 'blend', ['garlic'], 'Garlic', 'char'), 'main', 2), 'strain', { stationId: 'strain', where: 'after' });
void choosePods;
const say = { today: '2026-10-05', members: 300, forecast: false };
for (let i = 0; i < 5; i++) reportLine({ ...f }, say);
const t: number[] = [];
for (let i = 0; i < 25; i++) { const a = performance.now(); reportLine({ ...f }, say); t.push(performance.now() - a); }
t.sort((a, b) => a - b);
console.log('median', t[12]!.toFixed(1), 'min', t[0]!.toFixed(1));
