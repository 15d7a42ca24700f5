'use client';
import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Card, Corrected, Patch } from '@/core/colour/patch';
import type { Mark, PictureWorker } from '@/workers/picture.worker';
import { errorText } from '../api/http';
import { useThread } from '../api/useThread';

export interface PictureReading {
  readonly patch: Patch | null;
  readonly corrected: Corrected | null;
}

interface Read {
  /** To be drawn; null until it is there. */
  readonly shown: ImageBitmap | null;
  readonly reading: PictureReading | null;
  readonly problem: string | null;
}

/**
 * Hands a picture to a worker and reads what is under the marks.
 * @param from a kept picture by its name, or a file of this device; null: none yet
 */
export function usePictureReading(from: string | Blob | null, fibre: Mark | null, card: { readonly at: Mark; readonly is: Card } | null): Read {
  const worker = useThread<PictureWorker>(() => new Worker(new URL('../../workers/picture.worker.ts', import.meta.url), { type: 'module' }));
  const [shown, setShown] = useState<ImageBitmap | null>(null);
  const [opened, setOpened] = useState<ImageBitmap | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState<PictureReading | null>(null);
  useEffect(() => {
    let dropped = false;
    setShown(null);
    setOpened(null);
    setReading(null);
    setProblem(null);
    if (from === null) return;
    const open = async () => {
      const bytes = typeof from === 'string' ? await keptPicture(from) : from;
      const [here, there] = await Promise.all([bitmapOf(bytes), bitmapOf(bytes)]);
      if (dropped) return;
      setShown(here);
      await worker.current?.open(Comlink.transfer(there, [there]));
      if (!dropped) setOpened(here);
    };
    open().catch((error: unknown) => !dropped && setProblem(errorText(error)));
    return () => {
      dropped = true;
    };
  }, [from, worker]);
  useEffect(() => {
    if (!opened || !fibre) return;
    let dropped = false;
    worker.current?.read(fibre, card).then(
      (got) => !dropped && setReading(got),
      (error: unknown) => !dropped && setProblem(errorText(error)),
    );
    return () => {
      dropped = true;
    };
  }, [opened, fibre, card, worker]);
  return { shown, reading, problem };
}

async function keptPicture(hash: string): Promise<Blob> {
  const answer = await fetch(`/api/v1/blobs/${hash}`);
  if (!answer.ok) throw new Error('This picture is not here any more, or it is damaged.');
  return answer.blob();
}

async function bitmapOf(bytes: Blob): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(bytes);
  } catch {
    throw new Error('This file could not be read as a picture. Try a JPEG or PNG.');
  }
}
