'use client';

import { decodeQR } from 'qr/decode.js';
import { useEffect, useRef, useState } from 'react';

/** The picture is made so wide before it is read: a code held before the lens needs no more. */
const WIDE = 480;
/** A phone that reads more often only gets warm. */
const EVERY_MS = 180;

const REFUSED: Record<string, string> = {
  NotAllowedError: 'This device does not let Elmhorn use its camera.',
  NotFoundError: 'This device has no camera.',
  NotReadableError: 'Something else uses the camera.',
};

/** The first code in a picture; null where none can be read. */
function codeIn(video: HTMLVideoElement, canvas: HTMLCanvasElement): string | null {
  if (!video.videoWidth) return null;
  canvas.width = Math.min(WIDE, video.videoWidth);
  canvas.height = Math.round((canvas.width * video.videoHeight) / video.videoWidth);
  const drawn = canvas.getContext('2d', { willReadFrequently: true });
  if (!drawn) return null;
  drawn.drawImage(video, 0, 0, canvas.width, canvas.height);
  try {
    return decodeQR(drawn.getImageData(0, 0, canvas.width, canvas.height));
  } catch {
    // No code in it: that is most pictures.
    return null;
  }
}

/** Shows what the camera sees until it has read a code. */
export function Camera({ onRead }: { onRead: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const told = useRef(onRead);
  const [refused, setRefused] = useState<string | null>(null);
  useEffect(() => {
    told.current = onRead;
  });
  useEffect(() => {
    let stream: MediaStream | null = null;
    let reading: ReturnType<typeof setInterval> | null = null;
    let here = true;
    const canvas = document.createElement('canvas');
    const stop = () => {
      here = false;
      if (reading) clearInterval(reading);
      stream?.getTracks().forEach((t) => t.stop());
    };
    const read = () => {
      const text = video.current && here ? codeIn(video.current, canvas) : null;
      if (text === null) return;
      stop();
      told.current(text);
    };
    const begin = async () => {
      try {
        // Without a safe address a browser has no camera to give.
        if (!('mediaDevices' in navigator)) throw new DOMException('', 'NotAllowedError');
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
        if (!here || !video.current) return stop();
        video.current.srcObject = stream;
        await video.current.play();
        reading = setInterval(read, EVERY_MS);
      } catch (error) {
        if (here) setRefused(REFUSED[(error as DOMException).name] ?? 'The camera does not start.');
      }
    };
    void begin();
    return stop;
  }, []);
  if (refused)
    return (
      <p role="alert" className="border-l-4 border-sap pl-3 font-semibold">
        {refused} Type the tag instead.
      </p>
    );
  return (
    <div>
      <video ref={video} playsInline muted aria-label="What the camera sees" className="w-full bg-ink" />
      <p className="mt-2 text-ink-2">Hold the code of a tag, a sheet or a mix before it.</p>
    </div>
  );
}
