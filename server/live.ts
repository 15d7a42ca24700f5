import type { LiveMessage } from '@/contract/views';

/** Tells every open page what happens. Messages are numbered, readings excepted, so that a page knows what it missed. */
export class LiveFeed {
  private readonly listeners = new Set<(message: LiveMessage, seq: number) => void>();

  /** @param seq where the numbers begin; the time of the start, so that a feed begun anew never repeats one */
  constructor(private lastSeq: number) {}

  publish(message: LiveMessage): void {
    if (message.kind !== 'readings') this.lastSeq += 1;
    for (const listener of this.listeners) listener(message, this.lastSeq);
  }

  /** @returns stops listening */
  listen(listener: (message: LiveMessage, seq: number) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** The number of the last message. */
  get seq(): number {
    return this.lastSeq;
  }

  get size(): number {
    return this.listeners.size;
  }
}
