import { create } from 'qrcode';

/** The modules of a QR code, row by row; true is dark. Medium correction: a label gets wet. */
export function qrModules(text: string): boolean[][] {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  return Array.from({ length: modules.size }, (_, r) => Array.from({ length: modules.size }, (_, c) => modules.get(r, c) === 1));
}
