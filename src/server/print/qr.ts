import { create } from 'qrcode';

/** A QR field: how many modules a side, and which of them are dark, row by row. */
export interface QrField {
  readonly size: number;
  readonly isDark: (row: number, column: number) => boolean;
}

/**
 * The QR field of a text (ISO/IEC 18004), with error correction Q: a quarter of it may be dirty or scratched. Throws on text of
 * more than about 1,600 bytes.
 */
export function drawQr(text: string): QrField {
  const { modules } = create(text, { errorCorrectionLevel: 'Q' });
  return {
    size: modules.size,
    isDark: (row, column) => modules.get(row, column) === 1,
  };
}

/** Paints the QR field of a text as a square of so many points a side. */
export function paintQr(
  sheet: PDFKit.PDFDocument,
  text: string,
  { x, y, side }: Record<'x' | 'y' | 'side', number>,
): void {
  const { size, isDark } = drawQr(text);
  const cell = side / size;
  for (let row = 0; row < size; row++) {
    for (let column = 0; column < size; column++) {
      if (isDark(row, column)) sheet.rect(x + column * cell, y + row * cell, cell, cell);
    }
  }
  sheet.fill('black');
}
