type Sheet = PDFKit.PDFDocument;

/** Writes one line as large as it fits into `width`, at most `most` and at least `least` points; longer text breaks. */
export function writeFitted(
  sheet: Sheet,
  text: string,
  { x, y, width, most, least }: Record<'x' | 'y' | 'width' | 'most' | 'least', number>,
): void {
  let size = most;
  while (size > least && sheet.fontSize(size).widthOfString(text) > width) size -= 1;
  sheet.fontSize(size).text(text, x, y, { width });
}

/** Paints a document and gathers its bytes. */
export function collect(sheet: Sheet, paint: () => void): Promise<Buffer> {
  return new Promise((settle, fail) => {
    const parts: Buffer[] = [];
    sheet.on('data', (part: Buffer) => parts.push(part));
    sheet.on('end', () => settle(Buffer.concat(parts)));
    sheet.on('error', fail);
    paint();
    sheet.end();
  });
}
