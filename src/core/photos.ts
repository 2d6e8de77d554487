/** The largest picture that is kept (bytes). */
export const LARGEST_PICTURE = 1_000_000;

/** Segments of a JPEG that may tell where, when and with what a picture was taken: Exif, XMP, makers' notes, remarks. */
const TELLING = new Set([
  0xe1, 0xe3, 0xe4, 0xe5, 0xe6, 0xe7, 0xe8, 0xe9, 0xea, 0xeb, 0xec, 0xed, 0xfe,
]);
/** "Start of scan": from here on there is nothing but the picture. */
const SCAN = 0xda;

/**
 * What is wrong with the bytes of a picture, in words; undefined when it may be kept. It is a JPEG (ISO/IEC 10918-1, annex B) of at most
 * `LARGEST_PICTURE` bytes that tells nothing but the picture, and ends where it says.
 */
export function findPictureFault(bytes: Uint8Array): string | undefined {
  if (bytes.length > LARGEST_PICTURE) {
    return `is ${bytes.length} bytes large; at most ${LARGEST_PICTURE} are kept`;
  }
  const endsWell = bytes.at(-2) === 0xff && bytes.at(-1) === 0xd9;
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8 || !endsWell) return 'is not a whole JPEG picture';
  for (let at = 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== 0xff) return 'is not a whole JPEG picture';
    const marker = bytes[at + 1] ?? 0;
    if (TELLING.has(marker)) return 'still tells where or with what it was taken';
    if (marker === SCAN) return undefined;
    const length = (bytes[at + 2] ?? 0) * 256 + (bytes[at + 3] ?? 0);
    if (length < 2) return 'is not a whole JPEG picture';
    at += 2 + length;
  }
  return 'is not a whole JPEG picture';
}
