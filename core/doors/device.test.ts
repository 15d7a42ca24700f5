import { describe, expect, it } from 'vitest';
import { type Device, offered, seen, weigh } from './device';

const AT = Date.UTC(2026, 4, 2, 9);
const phone: Device = {
  id: 'd1',
  name: 'Phone on the wall',
  role: 'hands',
  joinedAtMs: AT,
  lastSeenMs: AT,
  address: '10.0.0.7',
  earlier: null,
  secret: { hash: 'a', sinceMs: AT, next: null, before: null },
};

describe('a device that was seen', () => {
  it('may move to another address, and again later', () => {
    const moved = seen(phone, '10.0.0.8', AT + 5000);
    expect(moved).toMatchObject({ isInTwoPlaces: false, device: { address: '10.0.0.8', earlier: { address: '10.0.0.7', atMs: AT } } });
    expect(seen(moved.device, '10.0.0.7', AT + 61_000).isInTwoPlaces).toBe(false);
  });

  it('is in two places when it is back at once: then two use its cookie', () => {
    const { device } = seen(seen(phone, '10.0.0.7', AT + 4000).device, '10.0.0.9', AT + 5000);
    expect(seen(device, '10.0.0.7', AT + 6000).isInTwoPlaces).toBe(true);
  });
});

describe('a secret', () => {
  const DAY_MS = 24 * 3_600_000;
  const MIN = 60_000;
  const later = AT + DAY_MS + 1;

  it('opens, and is to be changed after a day', () => {
    expect(weigh(phone.secret, 'a', AT + 1)).toEqual({ kind: 'known', kept: phone.secret, offer: false });
    expect(weigh(phone.secret, 'a', later)).toMatchObject({ kind: 'known', offer: true });
    expect(weigh(phone.secret, 'b', AT)).toEqual({ kind: 'wrong' });
  });

  it('whose next one was lost on its way goes on opening, and another is given after a while', () => {
    const kept = offered(phone.secret, 'b', later);
    expect(weigh(kept, 'a', later + MIN)).toEqual({ kind: 'known', kept, offer: false });
    expect(weigh(kept, 'a', later + 6 * MIN)).toMatchObject({ kind: 'known', offer: true });
    expect(weigh(offered(kept, 'c', later + 6 * MIN), 'a', later + DAY_MS)).toMatchObject({ kind: 'known' });
  });

  it('that was taken over opens for two minutes more, and then betrays that two had it', () => {
    const shown = weigh(offered(phone.secret, 'b', later), 'b', later + 10);
    if (shown.kind !== 'known') throw new Error(shown.kind);
    const { kept } = shown;
    expect(kept).toEqual({ hash: 'b', sinceMs: later + 10, next: null, before: { hash: 'a', untilMs: later + 10 + 2 * MIN } });
    expect(weigh(kept, 'a', kept.sinceMs + 2 * MIN)).toMatchObject({ kind: 'known', offer: false });
    expect(weigh(kept, 'a', kept.sinceMs + 2 * MIN + 1)).toEqual({ kind: 'old' });
    expect(weigh(kept, 'b', kept.sinceMs + 2 * MIN + 1)).toMatchObject({ kind: 'known' });
  });
});
