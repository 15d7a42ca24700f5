import type { Reading } from '@/core/hold/credit';
import type { RunEvent } from '@/core/run/events';

/** What open pages hear about, as it happens. */
export type LiveMessage =
  | { readonly kind: 'event'; readonly runId: string; readonly event: RunEvent }
  | { readonly kind: 'readings'; readonly probeId: string; readonly readings: readonly Reading[] }
  | { readonly kind: 'changed'; readonly what: 'lot' | 'vessel' | 'home' | 'session' | 'run' | 'simPot'; readonly id: string };

export class LiveFeed {
  private readonly listeners = new Set<(message: LiveMessage) => void>();

  publish(message: LiveMessage): void {
    for (const listener of this.listeners) listener(message);
  }

  /** @returns stops listening */
  listen(listener: (message: LiveMessage) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  get size(): number {
    return this.listeners.size;
  }
}
