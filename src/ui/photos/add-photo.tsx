'use client';

import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import type { PhotoOf } from '../../core/job';
import { useCommand } from '../command/use-command';
import { keepOnDevice } from './kept-pictures';
import { digestOf, shrinkPicture } from './shrink';

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
  const field = useId();
  const [state, setState] = useState<'ready' | 'busy' | 'added' | 'failed'>('ready');
  const add = async (file: File) => {
    setState('busy');
    try {
      const picture = await shrinkPicture(file);
      const digest = await digestOf(picture);
      await keepOnDevice(digest, picture);
      const about = { of, words: '', ...(subject ? { subject } : {}) };
      const isAdded = await run({ kind: 'add-photo', digest, ...about });
      // What is refused says so itself.
      setState(isAdded ? 'added' : 'ready');
    } catch {
      setState('failed');
    }
  };
  return (
    <span className="flex flex-wrap items-center gap-2 print:hidden">
      <label
        htmlFor={field}
        className={`btn gap-1 focus-within:outline-2 ${isLarge ? 'h-12' : 'btn-sm'}`}
      >
        <Camera aria-hidden size={16} />
        {state === 'busy' ? 'Adding the photograph…' : 'Add a photograph'}
        <input
          id={field}
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          disabled={state === 'busy'}
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file) void add(file);
            // The same one may be chosen again.
            target.value = '';
          }}
        />
      </label>
      {state === 'added' && <span role="status">Photograph added.</span>}
      {state === 'failed' && (
        <span role="alert">
          This picture could not be read or kept. Take it anew, or write down what you see.
        </span>
      )}
    </span>
  );
}
