'use client';

import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import { digestOf, shrinkPicture } from './shrink';

/** Takes a photograph, from the camera of a phone or a file, and makes it small. */
export function TakePicture({
  onPicture,
  isLarge = false,
}: {
  /** What becomes of the picture: true when it was added. What is refused says so itself. */
  readonly onPicture: (digest: string, picture: Blob) => Promise<boolean>;
  /** For a thumb. */
  readonly isLarge?: boolean;
}) {
  const field = useId();
  const [state, setState] = useState<'ready' | 'busy' | 'added' | 'failed'>('ready');
  const add = async (file: File) => {
    setState('busy');
    try {
      const picture = await shrinkPicture(file);
      const isAdded = await onPicture(await digestOf(picture), picture);
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
