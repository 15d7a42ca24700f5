import type { LiveMessage } from '@/contract/views';

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
