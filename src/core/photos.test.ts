import { findPictureFault, LARGEST_PICTURE } from './photos';

const segment = (marker: number, ...body: number[]) => [
  0xff,
  marker,
  (body.length + 2) >> 8,
  (body.length + 2) & 255,
  ...body,
];
const picture = (...segments: number[][]) =>
  new Uint8Array([0xff, 0xd8, ...segments.flat(), 0xff, 0xd9]);
const JFIF = segment(0xe0, 0x4a, 0x46, 0x49, 0x46, 0);
const TABLE = segment(0xdb, 1, 2, 3);
const SCAN = [...segment(0xda, 1, 1, 0, 0, 63, 0), 7, 7, 7];

describe('a picture that is sent in', () => {
  it('is kept when it is a JPEG and nothing else', () => {
    expect(findPictureFault(picture(JFIF, TABLE, SCAN))).toBeUndefined();
  });

  it.each<[string, Uint8Array, RegExp]>([
    ['with where it was taken (Exif)', picture(segment(0xe1, 1, 2), SCAN), /tells where/],
    ['with remarks', picture(JFIF, segment(0xfe, 65), SCAN), /tells where/],
    ['with what an agency writes into it', picture(segment(0xed, 1), SCAN), /tells where/],
    ['of another kind', new Uint8Array([0x89, 0x50, 0x4e, 0x47]), /not a whole JPEG/],
    ['that is empty', new Uint8Array(), /not a whole JPEG/],
    ['cut off', picture(JFIF, TABLE, SCAN).slice(0, -2), /not a whole JPEG/],
    ['without a picture', picture(JFIF, TABLE), /not a whole JPEG/],
    ['with something after its end', new Uint8Array([...picture(SCAN), 1]), /not a whole JPEG/],
    ['with a segment of no length', picture([0xff, 0xdb, 0, 0], SCAN), /not a whole JPEG/],
    ['too large', new Uint8Array(LARGEST_PICTURE + 1), /1000001 bytes large; at most 1000000/],
  ])('is refused %s', (_, bytes, says) => {
    expect(findPictureFault(bytes)).toMatch(says);
  });
});
