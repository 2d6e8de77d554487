import { refuse, type Refusal } from '../rules/refuse';
import type { CommandOf } from './commands';
import type { Context } from './site';
import type { Dossier } from './state';

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
