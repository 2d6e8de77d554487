import { refuse, type Refusal } from '../rules/book';
import type { CommandOf } from './commands';
import type { Mark } from './mark';
import type { Context } from './site';
import type { Dossier } from './state';

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

/** No job keeps more. Source: site rule. */
const MOST_PHOTOS = 300;

/** Refuses a photograph whose picture is not there, one that is there already, and more than a job keeps. */
export function refusePhoto(
  { photos }: Dossier,
  { digest, subject }: CommandOf<'add-photo'>,
  { others }: Context,
): Refusal[] {
  const isThere = photos.some((one) => one.digest === digest && one.subject === subject);
  return [
    ...(others.hasPicture(digest) ? [] : [refuse('picture-missing')]),
    ...(isThere ? [refuse('already-done', { what: 'This photograph' })] : []),
    ...(photos.length < MOST_PHOTOS ? [] : [refuse('photos-full', { most: MOST_PHOTOS })]),
  ];
}
