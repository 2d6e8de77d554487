import PDFDocument from 'pdfkit';
import type { Block, Sheet } from '../../core/job';
import { PRINT_FONTS } from './fonts';

type Page = PDFKit.PDFDocument;

/** ISO 216 A4, portrait (pt). */
const PAGE = { width: 595.28, height: 841.89 };
const MARGIN = 40;
const INNER = PAGE.width - 2 * MARGIN;
const BOTTOM = PAGE.height - 64;
const CELL = 3;

/** Goes on to another page when what follows is higher than what is left of this one. */
function makeRoom(page: Page, height: number): void {
  if (page.y + height > BOTTOM) page.addPage();
}

function writeTitle(page: Page, title: string): void {
  makeRoom(page, 60);
  page
    .moveDown(0.6)
    .font(PRINT_FONTS.bold)
    .fontSize(11)
    .text(title, MARGIN, page.y, { width: INNER });
  page.moveDown(0.2);
}

/** Rows of cells with lines between, the first row repeated in bold on each page. */
function writeTable(
  page: Page,
  head: readonly string[],
  widths: readonly number[],
  rows: readonly (readonly string[])[],
): void {
  const whole = widths.reduce((sum, share) => sum + share, 0);
  const columns = widths.map((share) => (share / whole) * INNER);
  const writeRow = (cells: readonly string[], isHead: boolean) => {
    page.font(isHead ? PRINT_FONTS.bold : PRINT_FONTS.text).fontSize(8);
    const heights = cells.map((cell, n) =>
      page.heightOfString(cell === '' ? ' ' : cell, { width: (columns[n] ?? 0) - 2 * CELL }),
    );
    const height = Math.max(...heights) + 2 * CELL;
    if (page.y + height > BOTTOM) {
      page.addPage();
      if (!isHead) writeRow(head, true);
      page.font(isHead ? PRINT_FONTS.bold : PRINT_FONTS.text).fontSize(8);
    }
    const top = page.y;
    cells.reduce((x, cell, n) => {
      const width = columns[n] ?? 0;
      page.text(cell, x + CELL, top + CELL, { width: width - 2 * CELL });
      page
        .rect(x, top, width, height)
        .lineWidth(isHead ? 1 : 0.5)
        .stroke();
      return x + width;
    }, MARGIN);
    page.y = top + height;
  };
  writeRow(head, true);
  rows.forEach((row) => writeRow(row, false));
  page.x = MARGIN;
}

function writeFacts(page: Page, rows: Extract<Block, { kind: 'facts' }>['rows']): void {
  const indent = 140;
  for (const [label, value] of rows) {
    page.font(PRINT_FONTS.text).fontSize(9);
    const height = page.heightOfString(value ?? ' ', { width: INNER - indent });
    makeRoom(page, height + 8);
    const top = page.y;
    page.text(label, MARGIN, top, { width: indent - 8 });
    page.font(PRINT_FONTS.bold);
    if (value === undefined) {
      page
        .moveTo(MARGIN + indent, top + 14)
        .lineTo(PAGE.width - MARGIN, top + 14)
        .lineWidth(0.5)
        .stroke();
      page.y = top + 22;
    } else {
      page.text(value, MARGIN + indent, top, { width: INNER - indent });
      page.y = Math.max(page.y, top + 12) + 2;
    }
  }
  page.x = MARGIN;
}

function writeBlock(page: Page, block: Block): void {
  if (block.title !== undefined) writeTitle(page, block.title);
  switch (block.kind) {
    case 'facts':
      return writeFacts(page, block.rows);
    case 'list':
      for (const item of block.items) {
        page.font(PRINT_FONTS.text).fontSize(9);
        makeRoom(page, page.heightOfString(item, { width: INNER - 12 }) + 2);
        const top = page.y;
        page
          .rect(MARGIN, top + 2, 5, 5)
          .lineWidth(0.5)
          .stroke();
        page.text(item, MARGIN + 12, top, { width: INNER - 12 });
      }
      return;
    case 'table':
      return writeTable(page, block.head, block.widths, block.rows);
  }
}

function writeSheet(page: Page, { title, banner, blocks }: Sheet): void {
  page.addPage();
  page.font(PRINT_FONTS.bold).fontSize(18).text(title, MARGIN, MARGIN, { width: INNER });
  const top = page.y + 4;
  page.fontSize(12);
  const height = page.heightOfString(banner, { width: INNER - 16 }) + 12;
  page.rect(MARGIN, top, INNER, height).lineWidth(2).stroke();
  page.text(banner, MARGIN + 8, top + 6, { width: INNER - 16 });
  page.x = MARGIN;
  page.y = top + height + 10;
  blocks.forEach((block) => writeBlock(page, block));
}

/** At the foot of each page: whose paper it is, which page of how many, when it was printed, and what it cannot do. */
function writeFeet(page: Page, foot: string): void {
  const { start, count } = page.bufferedPageRange();
  for (let n = 0; n < count; n++) {
    page.switchToPage(start + n);
    page.font(PRINT_FONTS.text).fontSize(7);
    page
      .moveTo(MARGIN, PAGE.height - 48)
      .lineTo(PAGE.width - MARGIN, PAGE.height - 48)
      .lineWidth(0.5)
      .stroke();
    page.text(`${foot}; page ${n + 1} of ${count}`, MARGIN, PAGE.height - 42, {
      width: INNER,
      height: 10,
      lineBreak: false,
    });
    page.text(
      'This paper supports a competent person. Local codes and a look at the plant come first. What counts is the record, not the paper.',
      MARGIN,
      PAGE.height - 32,
      { width: INNER, height: 10, lineBreak: false },
    );
  }
}

/** Prints sheets on A4 in black and white, each on pages of its own; `foot` stands on every page. */
export function printSheets(sheets: readonly Sheet[], foot: string): Promise<Buffer> {
  const page = new PDFDocument({
    size: [PAGE.width, PAGE.height],
    margins: { top: MARGIN, bottom: 20, left: MARGIN, right: MARGIN },
    autoFirstPage: false,
    bufferPages: true,
    font: PRINT_FONTS.text,
    info: { Title: sheets[0]?.title ?? 'no papers' },
  });
  return new Promise((settle, fail) => {
    const parts: Buffer[] = [];
    page.on('data', (part: Buffer) => parts.push(part));
    page.on('end', () => settle(Buffer.concat(parts)));
    page.on('error', fail);
    sheets.forEach((sheet) => writeSheet(page, sheet));
    writeFeet(page, foot);
    page.end();
  });
}
