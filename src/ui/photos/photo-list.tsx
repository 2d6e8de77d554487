import type { Photo, PhotoOf } from '../../core/job';
import { Instant } from '../kit/moment';

const OF_WORDS: Readonly<Record<PhotoOf, string>> = {
  step: 'step at',
  finding: 'found at',
  check: 'check of',
  alarm: 'alarm at',
  place: 'place',
};

/** One photograph with what it shows, who took it down and when. A press shows it whole. */
function PhotoFigure({ photo, name }: { readonly photo: Photo; readonly name: string }) {
  const { digest, of, subject, words, at } = photo;
  const what = [OF_WORDS[of], subject].filter(Boolean).join(' ');
  return (
    <figure className="flex w-44 flex-col gap-1 text-xs">
      <a href={`/api/photos/${digest}`} target="_blank" rel="noreferrer">
        {/* eslint-disable-next-line @next/next/no-img-element -- it is kept small already, and only who is signed in may have it */}
        <img
          src={`/api/photos/${digest}`}
          alt={`Photograph: ${what}`}
          width={176}
          height={132}
          loading="lazy"
          className="h-33 w-44 bg-base-200 object-cover"
        />
      </a>
      <figcaption>
        {what}
        {words !== '' && `: ${words}`}. {name}, <Instant at={at} />
      </figcaption>
    </figure>
  );
}

/** Photographs of a job, oldest first. */
export function PhotoList({
  photos,
  names,
}: {
  readonly photos: readonly Photo[];
  readonly names: Readonly<Record<string, string>>;
}) {
  if (photos.length === 0) {
    return (
      <p>
        None yet. A photograph can be added at any step on the field page, at a finding, a check or
        an alarm, or here.
      </p>
    );
  }
  return (
    <div className="flex flex-wrap gap-3">
      {photos.map((photo) => (
        <PhotoFigure
          key={`${photo.digest} ${photo.subject ?? ''}`}
          photo={photo}
          name={names[photo.by] ?? photo.by}
        />
      ))}
    </div>
  );
}
