import PDFDocument from 'pdfkit';
import type { Held, Tag } from '../../core/job';
import { momentsIn } from '../../core/moments';
import { PRINT_FONTS } from './fonts';
import { paintQr } from './qr';
import { collect, writeFitted } from './write';

type Sheet = PDFKit.PDFDocument;

/** ISO 216 A6, portrait (pt). */
const PAGE = { width: 297.64, height: 419.53 };
const MARGIN = 18;
const INNER = PAGE.width - 2 * MARGIN;
const QR_SIDE = 112;

const HELD_WORDS: Readonly<Record<Held, readonly [order: string, state: string]>> = {
  closed: ['DO NOT OPERATE', 'Isolated. People are at work behind it.'],
  open: ['DO NOT SHUT', 'Held open, so that nothing can build up. People are at work.'],
  earthed: ['DO NOT TAKE OFF', 'Earthed. People are at work on it.'],
  restrained: ['DO NOT RELEASE', 'Held by a restraint. People are at work below or beside it.'],
};

/** One line to read, or to write on with a pen while it is not known. */
function writeRow(sheet: Sheet, label: string, value: string | undefined, y: number): void {
  const x = MARGIN + QR_SIDE + 12;
  const width = PAGE.width - MARGIN - x;
  sheet.font(PRINT_FONTS.text).fontSize(7).text(label, x, y, { width, lineBreak: false });
  if (value === undefined) {
    sheet
      .moveTo(x, y + 21)
      .lineTo(x + width, y + 21)
      .lineWidth(0.5)
      .stroke();
    return;
  }
  sheet.font(PRINT_FONTS.bold);
  writeFitted(sheet, value, { x, y: y + 8, width, most: 10, least: 6 });
}

/** What of the site stands on every tag: names of people, how the coordinator is reached, the zone of its clock. */
export interface TagSite {
  readonly nameOf: (id: string) => string;
  readonly reach: string;
  readonly zone: string;
  /** How far the ledger had come when it was printed. */
  readonly head: string;
}

function paintTag(sheet: Sheet, tag: Tag, { nameOf, reach, zone, head }: TagSite): void {
  const clock = (at: string | undefined) => at && momentsIn(zone).instant(at);
  const [order, state] = HELD_WORDS[tag.held];
  sheet.rect(0, 0, PAGE.width, 62).fill('black');
  sheet
    .circle(PAGE.width / 2, 12, 5)
    .lineWidth(0.75)
    .stroke('white')
    .strokeColor('black');
  sheet.font(PRINT_FONTS.bold).fill('white');
  sheet.fontSize(25).text(order, MARGIN, 24, { width: INNER, align: 'center' });
  sheet.fill('black').fontSize(9).text(state, MARGIN, 70, { width: INNER });
  sheet.font(PRINT_FONTS.code);
  writeFitted(sheet, tag.point, { x: MARGIN, y: 88, width: INNER, most: 30, least: 12 });
  sheet.font(PRINT_FONTS.text).fontSize(9);
  sheet.text(`${tag.what}, ${tag.where}`, MARGIN, 130, {
    width: INNER,
    height: 36,
    ellipsis: true,
  });
  paintQr(sheet, tag.code, { x: MARGIN, y: 174, side: QR_SIDE });
  if (tag.held === 'closed') writeRow(sheet, 'Lock', tag.lock, 172);
  writeRow(sheet, 'Hung by', tag.hung && nameOf(tag.hung.by), 198);
  writeRow(sheet, 'Since', clock(tag.hung?.at), 224);
  writeRow(sheet, 'Expected end', clock(tag.until), 250);
  sheet.font(PRINT_FONTS.code).fontSize(8).text(tag.code, MARGIN, 302, { width: INNER });
  sheet
    .moveTo(MARGIN, 318)
    .lineTo(PAGE.width - MARGIN, 318)
    .lineWidth(1)
    .stroke();
  sheet.font(PRINT_FONTS.bold).fontSize(11);
  sheet.text(`${tag.job}  ${tag.title}`, MARGIN, 324, { width: INNER, height: 28, ellipsis: true });
  sheet.font(PRINT_FONTS.text).fontSize(9);
  sheet.text(`Work led by ${tag.performer}`, MARGIN, 353, { width: INNER });
  sheet.text(`Questions: ${reach === '' ? 'the isolation coordinator' : reach}`, MARGIN, 366, {
    width: INNER,
    height: 12,
    ellipsis: true,
  });
  sheet.fontSize(6).text(head, MARGIN, 408, { width: INNER, lineBreak: false });
  sheet.fontSize(7.5);
  sheet.text(
    'A tag holds nothing: the lock does. Only whoever hung it takes it off, once the coordinator says so.',
    MARGIN,
    388,
    { width: INNER },
  );
}

/** Prints tags on A6, one a page. */
export function printTags(tags: readonly Tag[], site: TagSite): Promise<Buffer> {
  const sheet = new PDFDocument({
    size: [PAGE.width, PAGE.height],
    margin: 0,
    autoFirstPage: false,
    font: PRINT_FONTS.text,
    info: { Title: `Tags of ${tags[0]?.job ?? 'no job'}` },
  });
  return collect(sheet, () => {
    for (const tag of tags) {
      sheet.addPage();
      paintTag(sheet, tag, site);
    }
  });
}
