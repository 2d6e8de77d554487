import PDFDocument from 'pdfkit';
import { PRINT_FONTS } from './fonts';
import { paintQr } from './qr';
import { collect, writeFitted } from './write';

/** A label to be stuck on a thing of a register: its number, and what it is. */
export interface Label {
  readonly number: string;
  readonly says: string;
}

/** Labels on ISO 216 A4, three across and eight down (pt). Cut along the lines. */
const ACROSS = 3;
const DOWN = 8;
const PAGE = { width: 595.28, height: 841.89 };
const MARGIN = 28;
const WIDTH = (PAGE.width - 2 * MARGIN) / ACROSS;
const HEIGHT = (PAGE.height - 2 * MARGIN) / DOWN;
const QR_SIDE = 62;

function paintLabel(
  sheet: PDFKit.PDFDocument,
  { number, says }: Label,
  x: number,
  y: number,
): void {
  sheet.rect(x, y, WIDTH, HEIGHT).lineWidth(0.25).dash(2, {}).stroke().undash();
  paintQr(sheet, number, { x: x + 10, y: y + (HEIGHT - QR_SIDE) / 2, side: QR_SIDE });
  const left = x + QR_SIDE + 20;
  const width = WIDTH - QR_SIDE - 28;
  sheet.font(PRINT_FONTS.code);
  writeFitted(sheet, number, { x: left, y: y + 22, width, most: 22, least: 8 });
  sheet.font(PRINT_FONTS.text).fontSize(8);
  sheet.text(says, left, y + 54, { width, height: 30, ellipsis: true });
}

/** Prints labels in sheets. */
export function printLabels(labels: readonly Label[], title: string): Promise<Buffer> {
  const sheet = new PDFDocument({
    size: 'A4',
    margin: 0,
    autoFirstPage: false,
    font: PRINT_FONTS.text,
    info: { Title: title },
  });
  return collect(sheet, () => {
    labels.forEach((label, n) => {
      const at = n % (ACROSS * DOWN);
      if (at === 0) sheet.addPage();
      const x = MARGIN + (at % ACROSS) * WIDTH;
      paintLabel(sheet, label, x, MARGIN + Math.floor(at / ACROSS) * HEIGHT);
    });
  });
}
