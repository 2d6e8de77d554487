import { createHash, randomInt, timingSafeEqual } from 'node:crypto';

/** Letters and digits that nobody takes for one another. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const LENGTH = 12;

/** A code to be read out and typed: twelve signs in groups of four. */
export function makeCode(): string {
  const signs = Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)] ?? '');
  return [0, 4, 8].map((at) => signs.slice(at, at + 4).join('')).join('-');
}

/** What is kept of a code: it is long enough that no slow hash is needed. Spaces, hyphens and small letters make no other code. */
export const digestOfCode = (code: string): string =>
  createHash('sha256')
    .update(code.toUpperCase().replaceAll(/[^A-Z0-9]/g, ''))
    .digest('hex');

/** Whether a code is the one of a digest; takes as long for any. */
export const isCode = (code: string, digest: string): boolean =>
  timingSafeEqual(Buffer.from(digestOfCode(code)), Buffer.from(digest));
