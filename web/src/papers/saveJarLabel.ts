import { intakesOf, type BatchFile, type StationReport } from '@roskel/core';
import { intakeWords } from '../batch/intakes';
import { day, fullDay, inManner, percent } from '../format';
import { labelFonts } from '../labels/fonts';
import { marksPdf, measureWith } from '../labels/pdf';
import { qrModules } from '../labels/qr';
import { download } from '../ui/download';
import { JAR_LABEL, layoutJarLabel, type JarLabel } from './jarLabel';

/** What goes on the jar of a station, from the batch and its report. */
export function jarLabelOf(file: BatchFile, s: StationReport<'ferment'>, salt: number | null): JarLabel {
  const things = [...new Set(intakesOf(file).map(({ intake }) => intakeWords(file, intake).name))];
  const next = s.duties.find((d) => d.does === 'read') ?? s.duties[0];
  return {
    name: file.name,
    started: fullDay(s.from),
    salt: salt === null ? 'not packed yet' : `${percent(salt)} of its water`,
    contents: things.join(', ').toLowerCase(),
    next: next ? `${inManner(next.text).toLowerCase()}, ${day(next.due)}` : 'nothing',
  };
}

/** Saves the label of a jar as a PDF of its size, with a code that leads to `address`. */
export async function saveJarLabel(label: JarLabel, address: string, name: string): Promise<void> {
  const fonts = await labelFonts();
  const marks = layoutJarLabel(label, qrModules(address), await measureWith(fonts));
  download(name, new Uint8Array(await marksPdf([marks], JAR_LABEL, fonts, `Jar, ${label.name}`)), 'application/pdf');
}
