export const MOST_STREAMS = 4;

/** What devices and tokens, by their ids, have open and are doing right now. */
export class Underway {
  private readonly streams = new Map<string, Set<() => void>>();
  private readonly acts = new Map<string, Set<Promise<unknown>>>();

  async act<T>(id: string, work: () => Promise<T>): Promise<T> {
    const running = work();
    const all = this.acts.get(id) ?? new Set();
    this.acts.set(id, all.add(running));
    try {
      return await running;
    } finally {
      all.delete(running);
    }
  }

  /** @returns forgets the stream again; null when as many are open as may be */
  stream(id: string, close: () => void): (() => void) | null {
    const open = this.streams.get(id) ?? new Set();
    if (open.size >= MOST_STREAMS) return null;
    this.streams.set(id, open.add(close));
    return () => open.delete(close);
  }

  /** Closes what is open. Resolves when every act under way is answered. */
  async end(id: string): Promise<void> {
    for (const close of [...(this.streams.get(id) ?? [])]) close();
    await Promise.allSettled([...(this.acts.get(id) ?? [])]);
  }
}
