'use client';

import { Camera } from 'lucide-react';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';

/** How often a picture of the camera is looked at (ms). */
const LOOK_MS = 250;

/** Reads one QR code with the camera of the device. */
function CameraView({ onCode }: { readonly onCode: (code: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState('');
  const found = useRef(onCode);
  useEffect(() => {
    found.current = onCode;
  }, [onCode]);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let timer: ReturnType<typeof setInterval> | undefined;
    let isOver = false;
    const begin = async () => {
      const { default: jsQR } = await import('jsqr');
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      const shown = video.current;
      if (!shown || isOver) return;
      shown.srcObject = stream;
      await shown.play();
      const canvas = document.createElement('canvas');
      const context = canvas.getContext('2d', { willReadFrequently: true });
      timer = setInterval(() => {
        const { videoWidth: width, videoHeight: height } = shown;
        if (!context || width === 0) return;
        canvas.width = width;
        canvas.height = height;
        context.drawImage(shown, 0, 0);
        const code = jsQR(context.getImageData(0, 0, width, height).data, width, height);
        if (code) found.current(code.data);
      }, LOOK_MS);
    };
    begin().catch(() => setProblem('The camera cannot be used here. Type the code instead.'));
    return () => {
      isOver = true;
      clearInterval(timer);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  return problem === '' ? (
    <video ref={video} muted playsInline aria-label="Camera" className="w-full" />
  ) : (
    <p role="alert">{problem}</p>
  );
}

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
        <CameraView
          onCode={(code) => {
            setOpen(false);
            onCode(code);
          }}
        />
      )}
    </div>
  );
}
