import jsQR from 'jsqr';
import {
  carryOut,
  contextFor,
  fieldSteps,
  LIVE,
  site,
  USABLE,
} from '../../../tests/support/seal-change';
import { listTags, readCode, type Tag } from '../../core/job';
import { drawQr } from './qr';
import { printTags } from './tags';

/** A QR field as a picture of so many pixels a module, with the quiet zone of four modules round it. */
function pictureOf(text: string, pixels: number) {
  const { size, isDark } = drawQr(text);
  const side = (size + 8) * pixels;
  const picture = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let y = 0; y < side; y++) {
    for (let x = 0; x < side; x++) {
      const [row, column] = [Math.floor(y / pixels) - 4, Math.floor(x / pixels) - 4];
      const isIn = Math.min(row, column) >= 0 && Math.max(row, column) < size;
      if (isIn && isDark(row, column)) picture.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3);
    }
  }
  return { picture, side };
}

const tagsOf = (state = carryOut(USABLE)): Tag[] => (state ? listTags(state, site, 'J-0001') : []);
const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
const print = (tags: Tag[]) =>
  printTags(tags, { nameOf: (id) => id, reach: 'permit office', zone: 'UTC', head: 'ledger 1 0' });

describe('tags', () => {
  it('there is one for each point of the plan, which says how it is held', () => {
    const tags = tagsOf();
    expect(tags.map(({ point, held }) => [point, held])).toEqual([
      ...['CB-P201', 'FS-TR2004', 'HV-2001', 'HV-2002', 'HV-2004', 'HV-2005', 'HV-2007'].map(
        (point) => [point, 'closed'],
      ),
      ['HV-2008', 'closed'],
      ['HV-2009', 'closed'],
      ['BL-2003', 'open'],
      ['DR-2001', 'open'],
      ['DR-2002', 'open'],
      ['DR-2004', 'open'],
      ['DR-2007', 'open'],
      ['ST-P201-SPR', 'restrained'],
    ]);
    expect(tags.every(({ hung, lock, until }) => !hung && !lock && !until)).toBe(true);
  });

  it('says who hung it with which lock, and until when the permit counts, once that is known', () => {
    const [breaker] = tagsOf(carryOut(fieldSteps().slice(0, 3), carryOut(USABLE)));
    expect(breaker).toMatchObject({ lock: 'E-01', hung: { by: 'elif' }, until: undefined });
    const earthed = carryOut(USABLE);
    const on = earthed && {
      ...earthed,
      isolation: { ...earthed.isolation, earths: { 'DR-2001': 'ES-3' } },
    };
    expect(tagsOf(on).find(({ point }) => point === 'DR-2001')?.earth).toBe('ES-3');
    const [live] = tagsOf(LIVE());
    const until = Date.parse(contextFor('ada').now) + 8 * 3_600_000;
    expect(live?.until).toBe(new Date(until).toISOString());
  });

  it('has no tags without a plan', () => {
    expect(tagsOf(carryOut(USABLE.slice(0, 1)))).toEqual([]);
  });

  it.each(['J-0001/HV-2001', 'J-99999/Ventil Süd 4/B "alt"', `J-0001/${'X'.repeat(80)}`])(
    'carries a QR field of %p that a reader gives back',
    (code) => {
      const { picture, side } = pictureOf(code, 4);
      expect(jsQR(picture, side, side)?.data).toBe(code);
    },
  );

  it('carries a QR field that is still read with a corner of its data torn', () => {
    const { picture, side } = pictureOf('J-0001/HV-2001', 4);
    for (let y = side - 40; y < side - 16; y++)
      picture.fill(255, (y * side + side - 40) * 4, (y * side + side - 16) * 4);
    const read = jsQR(picture, side, side)?.data ?? '';
    expect(readCode(read)).toEqual({ job: 'J-0001', point: 'HV-2001' });
  });

  it('is printed on ISO 216 A6 (105 mm by 148 mm), one a page', async () => {
    const tags = tagsOf();
    const pdf = await print(tags);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pagesOf(pdf)).toBe(tags.length);
    const box = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1'));
    const inMm = (points: string | undefined) => Math.round((Number(points) / 72) * 25.4);
    expect([inMm(box?.[1]), inMm(box?.[2])]).toEqual([105, 148]);
  });

  it('prints whatever points and jobs are called', async () => {
    const [tag] = tagsOf();
    if (!tag) throw new Error('no tag');
    const long = 'ventil '.repeat(60);
    const odd = { ...tag, point: 'X'.repeat(80), title: long, where: long, performer: 'Ω≤→漢' };
    expect(pagesOf(await print([odd]))).toBe(1);
  });
});
