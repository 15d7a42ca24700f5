'use client';
import { createStore, del, entries, set } from 'idb-keyval';
import type { LookInput } from '@/contract/looks';
import type { Look, Picture } from '@/core/swatch/look';
import { errorText, post, Refused } from './http';
import { Cancelled, sendFile } from './upload';

/** A look that was made but not stored yet: it waits in this browser, pictures and all, and is sent once. */
export interface WaitingLook {
  readonly input: LookInput & { readonly atMs: number };
  /** Pictures that are still to be sent. */
  readonly files: readonly File[];
}

const RETRY_MS = 4000;
/** A look that is on its way this long is said to wait; one that is stored at once is not. */
const SLOW_MS = 2500;
type Listener = () => void;
const listeners = new Set<Listener>();
export interface LookBox {
  readonly waiting: readonly WaitingLook[];
  /** They could not be sent, or are long on their way. */
  readonly isHeld: boolean;
  readonly refusal: string | null;
  /** How much of the picture that is on its way is sent, 0 to 1; null while none is. */
  readonly sentShare: number | null;
}
let box: LookBox = { waiting: [], isHeld: false, refusal: null, sentShare: null };
/** Stops the picture that is on its way. */
let stop: AbortController | null = null;
let timer: ReturnType<typeof setTimeout> | null = null;
let sending = false;

const store = () => createStore('hyndle-looks', 'waiting');
export const lookBox = (): LookBox => box;
export function listenLookBox(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
function tell(change: Partial<LookBox>): void {
  box = { ...box, ...change };
  for (const listener of listeners) listener();
}
export const forgetLookRefusal = (): void => tell({ refusal: null });

/** Throws away a look that waits, with the pictures that it still has to send. */
export async function cancelLook(id: string): Promise<void> {
  await del(id, store());
  stop?.abort();
  tell({ waiting: await waiting() });
}

async function waiting(): Promise<WaitingLook[]> {
  const all = await entries<string, WaitingLook>(store());
  return all.map(([, look]) => look).sort((a, b) => a.input.atMs - b.input.atMs);
}

/** Keeps a look in this browser, then sends it. Throws only where the browser can keep nothing. */
export async function keepLook(look: WaitingLook): Promise<void> {
  await set(look.input.id, look, store());
  tell({ waiting: await waiting() });
  void flushLooks();
}

/** Sends what waits, oldest first. The id makes a second sending harmless. */
export async function flushLooks(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    for (let next = (await waiting())[0]; next; next = (await waiting())[0]) {
      const slow = setTimeout(() => tell({ isHeld: true }), SLOW_MS);
      const done = await send(next).finally(() => clearTimeout(slow));
      const left = await waiting();
      // What waits behind one that could not be sent is held too, until the last of it is sent.
      tell({ waiting: left, isHeld: !done || (box.isHeld && left.length > 0) });
      if (!done) return retryLater();
    }
  } finally {
    sending = false;
  }
}

/** @returns false when it must wait */
async function send({ input, files }: WaitingLook): Promise<boolean> {
  const refused: string[] = [];
  const pictures: Picture[] = [...input.pictures];
  try {
    for (const file of files) {
      try {
        stop = new AbortController();
        const onProgress = (sentShare: number) => tell({ sentShare });
        pictures.push(await sendFile<Picture>('/blobs', file, file.type || 'application/octet-stream', { onProgress, signal: stop.signal }));
      } catch (error) {
        if (error instanceof Cancelled) return true;
        if (!isFinal(error)) throw error;
        refused.push(`${file.name}: ${errorText(error)}`);
      } finally {
        stop = null;
        tell({ sentShare: null });
      }
    }
    const all = { ...input, pictures };
    // Nothing is left of it where its only picture was refused.
    if (refused.length === 0 || pictures.length > 0 || input.colour || input.note) await post<Look>('/looks', all);
  } catch (error) {
    if (!isFinal(error)) return false;
    refused.push(errorText(error));
  }
  await del(input.id, store());
  if (refused.length > 0) tell({ refusal: refused.join(' ') });
  return true;
}

/** Wrong in itself, whenever it is sent. */
const isFinal = (error: unknown): boolean => error instanceof Refused && error.problem.status < 500 && ![401, 429].includes(error.problem.status);

function retryLater(): void {
  if (timer) return;
  timer = setTimeout(() => {
    timer = null;
    void flushLooks();
  }, RETRY_MS);
}

export function keepLookBox(): () => void {
  const onOnline = () => void flushLooks();
  window.addEventListener('online', onOnline);
  void flushLooks().catch(() => undefined);
  return () => window.removeEventListener('online', onOnline);
}
