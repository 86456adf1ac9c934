import { labelFonts } from '../labels/fonts';
import { marksPdf, measureWith } from '../labels/pdf';
import { download } from '../ui/download';
import type { Block } from './blocks';
import { layoutPaper, PAPERS, type Paper } from './flow';

/** Saves blocks as a PDF of so many pages, with the fonts of the house in it. */
export async function savePaper(blocks: readonly Block[], paper: Paper, title: string, name: string): Promise<void> {
  const fonts = await labelFonts();
  const pages = layoutPaper(blocks, PAPERS[paper], title, await measureWith(fonts));
  download(name, new Uint8Array(await marksPdf(pages, PAPERS[paper], fonts, title)), 'application/pdf');
}
