import type { Mark } from './mark';

/** What a photograph can be of. */
export const PHOTO_OF = ['step', 'finding', 'check', 'alarm', 'place'] as const;
export type PhotoOf = (typeof PHOTO_OF)[number];

/** A photograph of a job: which picture (SHA-256 of its bytes), of what, taken down by whom. */
export interface Photo extends Mark {
  readonly digest: string;
  readonly of: PhotoOf;
  /** The point, the place or the permit that it shows, where it shows one. */
  readonly subject?: string | undefined;
  readonly words: string;
}
