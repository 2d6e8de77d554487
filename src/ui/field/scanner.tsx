'use client';

import { Camera } from 'lucide-react';
import { useState, useSyncExternalStore } from 'react';
import { CameraCode } from '../kit/camera-code';

const neverChanges = () => () => undefined;

/** Whether the page answers yet: on a slow phone it is seen before it works, and a code entered then would be lost. */
const useAnswers = () =>
  useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );

/** The code of a point: always typed, scanned where the device has a camera. */
export function Scanner({ onCode }: { readonly onCode: (code: string) => void }) {
  const [isOpen, setOpen] = useState(false);
  const answers = useAnswers();
  return (
    <div className="flex flex-col gap-2">
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const form = event.currentTarget;
          const code = new FormData(form).get('code');
          form.reset();
          if (typeof code === 'string' && code.trim() !== '') onCode(code);
        }}
      >
        <label className="flex min-w-0 grow flex-col">
          Code at the point
          <input
            name="code"
            autoComplete="off"
            autoCapitalize="characters"
            disabled={!answers}
            className="input h-14 w-full font-mono text-lg"
          />
        </label>
        <button disabled={!answers} className="btn btn-primary h-14 px-6 text-lg">
          Go
        </button>
        <button
          type="button"
          aria-label={isOpen ? 'Close the camera' : 'Scan with the camera'}
          aria-pressed={isOpen}
          className="btn h-14 px-4"
          onClick={() => setOpen(!isOpen)}
        >
          <Camera aria-hidden />
        </button>
      </form>
      {isOpen && (
        <CameraCode
          onCode={(code) => {
            setOpen(false);
            onCode(code);
          }}
        />
      )}
    </div>
  );
}
