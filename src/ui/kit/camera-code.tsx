'use client';

import { useEffect, useRef, useState } from 'react';

/** How often a picture of the camera is looked at (ms). */
const LOOK_MS = 250;

/** Reads one QR code with the camera of the device. */
export function CameraCode({ onCode }: { readonly onCode: (code: string) => void }) {
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
