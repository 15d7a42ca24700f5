/** So many at once, the others in the order in which they came. */
export class Turns {
  private free: number;
  private readonly waiting: (() => void)[] = [];

  constructor(atOnce: number) {
    this.free = atOnce;
  }

  async take<T>(work: () => Promise<T>): Promise<T> {
    if (this.free === 0) await new Promise<void>((resolve) => this.waiting.push(resolve));
    else this.free--;
    try {
      return await work();
    } finally {
      // A turn is handed on; nobody who comes now goes before those who wait.
      const next = this.waiting.shift();
      if (next) next();
      else this.free++;
    }
  }
}
