import { LARGEST_PICTURE } from '../../core/photos';

/** The longer side of a picture (pixels), and how well it is kept: tried in this order until it is small enough. */
const TRIES = [
  { side: 1600, quality: 0.82 },
  { side: 1600, quality: 0.6 },
  { side: 1200, quality: 0.6 },
  { side: 800, quality: 0.5 },
] as const;

/** A picture of any size as one that is kept: drawn anew, so that nothing of where and with what it was taken goes along. */
export async function shrinkPicture(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file);
  for (const { side, quality } of TRIES) {
    const scale = Math.min(1, side / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(
      Math.max(1, Math.round(picture.width * scale)),
      Math.max(1, Math.round(picture.height * scale)),
    );
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const small = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    if (small.size <= LARGEST_PICTURE) return small;
  }
  throw new Error('the picture cannot be made small enough');
}

/** The SHA-256 of a picture's bytes, as the ledger names it. */
export async function digestOf(picture: Blob): Promise<string> {
  const hash = await crypto.subtle.digest('SHA-256', await picture.arrayBuffer());
  return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
