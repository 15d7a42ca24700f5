import multicastDns from 'multicast-dns';
import { ANNOUNCED } from '@/core/doors/address';

/** As much of multicast DNS (RFC 6762) as is needed: questions and answers on one network. */
export interface Wire {
  ask(name: string): void;
  answer(name: string, address: string): void;
  onAsked(heard: (name: string) => void): void;
  onAnswered(heard: (name: string, address: string) => void): void;
  close(): void;
}

const TTL_S = 120;
/** How long others have to say that a name is theirs (RFC 6762, 8.1: three questions, 250 ms apart). */
const PROBES = 3;
const PROBE_MS = 250;

/**
 * Tells the home network a name for this machine, so that a phone finds it again, still joined, when its address has changed: browsers keep
 * cookies by name. A name that another machine has is left to it.
 */
export class Announcer {
  private readonly wires = new Map<string, Wire>();
  private own: string | null = null;

  constructor(
    private readonly makeWire: (address: string) => Wire = realWire,
    private readonly wait: (ms: number) => Promise<void> = (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  ) {}

  /** The name that is told; null where none is. */
  get name(): string | null {
    return this.own;
  }

  /** Tells these addresses and no others. A network that refuses it has no name: nothing else depends on it. */
  async set(addresses: readonly string[]): Promise<void> {
    for (const [address, wire] of this.wires)
      if (!addresses.includes(address)) {
        wire.close();
        this.wires.delete(address);
      }
    const fresh = addresses.filter((address) => !this.wires.has(address));
    for (const address of fresh) {
      try {
        this.wires.set(address, this.makeWire(address));
      } catch (error) {
        console.warn(`No name is told at ${address}: ${String(error)}`);
      }
    }
    if (this.wires.size === 0) this.own = null;
    else if (fresh.length > 0 || this.own === null) await this.choose();
  }

  close(): void {
    for (const wire of this.wires.values()) wire.close();
    this.wires.clear();
    this.own = null;
  }

  private async choose(): Promise<void> {
    const others = new Set<string>();
    for (const [address, wire] of this.wires) {
      wire.onAnswered((name, said) => {
        if (!this.wires.has(said)) others.add(name);
      });
      wire.onAsked((name) => {
        if (name === this.own) wire.answer(name, address);
      });
    }
    for (let probe = 0; probe < PROBES; probe++) {
      for (const wire of this.wires.values()) for (const name of ANNOUNCED) wire.ask(name);
      await this.wait(PROBE_MS);
    }
    this.own = ANNOUNCED.find((name) => !others.has(name)) ?? null;
    if (this.own) for (const [address, wire] of this.wires) wire.answer(this.own, address);
  }
}

function realWire(address: string): Wire {
  const socket = multicastDns({ interface: address, reuseAddr: true });
  socket.on('error', () => undefined);
  socket.on('warning', () => undefined);
  const isAddress = ({ type }: { readonly type: string }) => type === 'A' || type === 'ANY';
  let asked: (name: string) => void = () => undefined;
  let answered: (name: string, said: string) => void = () => undefined;
  socket.on('query', ({ questions }) => {
    for (const question of questions) if (isAddress(question)) asked(question.name.toLowerCase());
  });
  socket.on('response', ({ answers }) => {
    for (const answer of answers) if (answer.type === 'A') answered(answer.name.toLowerCase(), answer.data);
  });
  return {
    ask: (name) => socket.query({ questions: [{ name, type: 'A' }] }),
    answer: (name, data) => socket.respond({ answers: [{ name, type: 'A', ttl: TTL_S, flush: true, data }] }),
    onAsked: (heard) => {
      asked = heard;
    },
    onAnswered: (heard) => {
      answered = heard;
    },
    close: () => socket.destroy(),
  };
}
