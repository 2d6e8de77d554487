'use client';

import type { PhotoOf } from '../../core/job';
import { useCommand } from '../command/use-command';
import { keepOnDevice } from './kept-pictures';
import { TakePicture } from './take-picture';

/** Adds a photograph of something, from the camera of a phone or a file. It is made small here, and kept here until the server has it. */
export function AddPhoto({
  of,
  subject,
  isLarge = false,
}: {
  readonly of: PhotoOf;
  /** The point, place or permit that it shows. */
  readonly subject?: string | undefined;
  /** For a thumb. */
  readonly isLarge?: boolean;
}) {
  const run = useCommand();
  return (
    <TakePicture
      isLarge={isLarge}
      onPicture={async (digest, picture) => {
        await keepOnDevice(digest, picture);
        const about = { of, words: '', ...(subject ? { subject } : {}) };
        return run({ kind: 'add-photo', digest, ...about });
      }}
    />
  );
}
