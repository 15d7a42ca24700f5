import type { LiveMessage } from '@/contract/views';
import type { Relay } from '@/store/store';

/** Tells every open page what happens. Messages are numbered, readings excepted, so that a page knows what it missed. */
export class LiveFeed {
  private readonly listeners = new Set<(message: LiveMessage, seq: number) => void>();

  /**
   * @param lastSeq where the numbers begin; the time of the start, so that a feed begun anew never repeats one
   * @param relay to the other Hyndles on the same database, whose pages hear the same
   */
  constructor(
    private lastSeq: number,
    private readonly relay: Relay | null = null,
  ) {
    relay?.listen((text) => this.hear(text));
  }

  publish(message: LiveMessage): void {
    this.relay?.tell(JSON.stringify(message));
    this.deliver(message);
  }

  /** A gap in the numbers makes the pages read everything again. */
  private hear(text: string | null): void {
    if (text === null) this.lastSeq += 1;
    else this.deliver(JSON.parse(text) as LiveMessage);
  }

  private deliver(message: LiveMessage): void {
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
