import { beforeEach, describe, expect, it } from 'vitest';
import { Announcer, type Wire } from './announce';

/** A network in memory: what one asks or answers, all others hear. */
interface Ears {
  readonly address: string;
  asked: (name: string) => void;
  answered: (name: string, address: string) => void;
}
let network: Ears[] = [];

function wireAt(address: string): Wire {
  const ears: Ears = { address, asked: () => undefined, answered: () => undefined };
  network.push(ears);
  const others = () => network.filter((one) => one !== ears);
  return {
    ask: (name) => {
      for (const one of others()) one.asked(name);
    },
    answer: (name, said) => {
      for (const one of others()) one.answered(name, said);
    },
    onAsked: (heard) => {
      ears.asked = heard;
    },
    onAnswered: (heard) => {
      ears.answered = heard;
    },
    close: () => {
      network = others();
    },
  };
}
/** Whoever looks for a name hears these addresses. */
function addressesOf(name: string): string[] {
  const heard: string[] = [];
  const wire = wireAt('somebody');
  wire.onAnswered((said, address) => {
    if (said === name) heard.push(address);
  });
  wire.ask(name);
  wire.close();
  return heard;
}
const announcer = () => new Announcer(wireAt, async () => undefined);

beforeEach(() => {
  network = [];
});

describe('a name in the home network', () => {
  it('is answered with the address, and with the new one after a change of network', async () => {
    const own = announcer();
    await own.set(['192.168.1.5']);
    expect([own.name, addressesOf('hyndle.local')]).toEqual(['hyndle.local', ['192.168.1.5']]);
    await own.set(['192.168.1.77']);
    expect([own.name, addressesOf('hyndle.local')]).toEqual(['hyndle.local', ['192.168.1.77']]);
    await own.set([]);
    expect([own.name, addressesOf('hyndle.local')]).toEqual([null, []]);
  });

  it('that another machine has is left to it', async () => {
    const [first, second] = [announcer(), announcer()];
    await first.set(['192.168.1.5']);
    await second.set(['192.168.1.6']);
    expect([first.name, second.name]).toEqual(['hyndle.local', 'hyndle-2.local']);
    expect(addressesOf('hyndle.local')).toEqual(['192.168.1.5']);
    expect(addressesOf('hyndle-2.local')).toEqual(['192.168.1.6']);
  });

  it('is one for all addresses of a machine, each told in its own network', async () => {
    const own = announcer();
    await own.set(['192.168.1.5', '10.0.0.5']);
    expect(own.name).toBe('hyndle.local');
    expect(new Set(addressesOf('hyndle.local'))).toEqual(new Set(['10.0.0.5', '192.168.1.5']));
  });

  it('is answered for nobody else’s', async () => {
    const own = announcer();
    await own.set(['192.168.1.5']);
    expect(addressesOf('printer.local')).toEqual([]);
  });

  it('where the network refuses it, there is none', async () => {
    const own = new Announcer(
      () => {
        throw new Error('no multicast here');
      },
      async () => undefined,
    );
    await own.set(['192.168.1.5']);
    expect(own.name).toBeNull();
  });
});
