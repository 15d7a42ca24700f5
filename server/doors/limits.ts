import { type Allowance, type Asked, ask } from '@/core/doors/allowance';

export const ALLOWANCES = {
  /** A page brings a few dozen answers; a device that asks for much more is at fault or up to something. */
  device: { burst: 240, perS: 40 },
  stranger: { burst: 60, perS: 2 },
  /** Ways to guess are few: a handful, then one a minute. */
  guess: { burst: 6, perS: 1 / 60 },
  token: { burst: 120, perS: 20 },
} as const satisfies Record<string, Allowance>;

const MOST_ASKED = 5000;

/** How much each has asked for of late. */
export class Limits {
  private readonly asked = new Map<string, Asked>();

  constructor(private readonly nowMs: () => number) {}

  /** How many are remembered. */
  get size(): number {
    return this.asked.size;
  }

  /** @returns 0, or how long whoever `key` names is to wait, in ms */
  waitMs(kind: keyof typeof ALLOWANCES, key: string): number {
    const name = `${kind} ${key}`;
    const { asked, waitMs } = ask(this.asked.get(name) ?? null, ALLOWANCES[kind], this.nowMs());
    // A crowd of strangers must not fill the memory: who has not asked for longest is forgotten.
    this.asked.delete(name);
    this.asked.set(name, asked);
    if (this.asked.size > MOST_ASKED) this.asked.delete(this.asked.keys().next().value ?? '');
    return waitMs;
  }
}
