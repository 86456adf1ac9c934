import type { House } from '@roskel/contract';
import { api } from '../api/client';
import { elsewhere } from '../house/elsewhere';
import { labelFonts } from '../labels/fonts';
import { marksPdf, measureWith } from '../labels/pdf';
import { qrModules } from '../labels/qr';
import { download } from '../ui/download';
import { JAR_LABEL, layoutJarLabel, type JarLabel } from './jarLabel';

/** Saves the label of a jar as a PDF of its size, with a code that leads to its page; without one where no other device finds it. */
export async function saveJarLabel(label: JarLabel, name: string): Promise<void> {
  const origin = elsewhere(await api.get<House>('/house').catch(() => null));
  const fonts = await labelFonts();
  const marks = layoutJarLabel(label, origin === null ? null : qrModules(`${origin}${location.pathname}`), await measureWith(fonts));
  download(name, new Uint8Array(await marksPdf([marks], JAR_LABEL, fonts, `Jar, ${label.name}`)), 'application/pdf');
}
