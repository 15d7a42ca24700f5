import type { Role } from './joining';

/** A device that has joined. Its secret is nowhere: only what it comes to when hashed. */
export interface Device {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly joinedAtMs: number;
  readonly lastSeenMs: number;
  readonly address: string;
  /** Where it came from before, and when it came from there last. */
  readonly earlier: { readonly address: string; readonly atMs: number } | null;
  readonly secret: KeptSecret;
}

/**
 * A secret is changed once a day. The next one counts from when it is first shown, since the answer that brings it may be lost
 * on its way; from then on the one before opens for a short while still, since answers cross.
 */
export interface KeptSecret {
  readonly hash: string;
  readonly sinceMs: number;
  readonly next: { readonly hash: string; readonly atMs: number } | null;
  readonly before: { readonly hash: string; readonly untilMs: number } | null;
}

const CHANGE_AFTER_MS = 24 * 3_600_000;
/** So long one answer with a new secret is waited for before another is given. */
const OFFER_AGAIN_MS = 5 * 60_000;
const OVERLAP_MS = 2 * 60_000;
const TWO_PLACES_MS = 60_000;

export type Shown =
  /** @param offer a new one is to be given now */
  | { readonly kind: 'known'; readonly kept: KeptSecret; readonly offer: boolean }
  /** One that was taken over by a newer one: two hold what only one may have. */
  | { readonly kind: 'old' }
  | { readonly kind: 'wrong' };

/** What a secret that is shown is worth, and what is kept from then on. */
export function weigh(kept: KeptSecret, hash: string, nowMs: number): Shown {
  const { next, before } = kept;
  if (hash === kept.hash) {
    const offer = nowMs - kept.sinceMs > CHANGE_AFTER_MS && (next === null || nowMs - next.atMs > OFFER_AGAIN_MS);
    return { kind: 'known', kept, offer };
  }
  if (hash === next?.hash)
    return { kind: 'known', kept: { hash, sinceMs: nowMs, next: null, before: { hash: kept.hash, untilMs: nowMs + OVERLAP_MS } }, offer: false };
  if (hash !== before?.hash) return { kind: 'wrong' };
  return nowMs <= before.untilMs ? { kind: 'known', kept, offer: false } : { kind: 'old' };
}

export const offered = (kept: KeptSecret, hash: string, nowMs: number): KeptSecret => ({ ...kept, next: { hash, atMs: nowMs } });

/**
 * The device as seen now. A phone moves from one address to another; nothing is at two at once: back at the earlier address
 * within a minute means that two use one cookie.
 */
export function seen(device: Device, address: string, nowMs: number): { readonly device: Device; readonly isInTwoPlaces: boolean } {
  if (address === device.address) return { device: { ...device, lastSeenMs: nowMs }, isInTwoPlaces: false };
  const isInTwoPlaces = device.earlier?.address === address && nowMs - device.earlier.atMs < TWO_PLACES_MS;
  return { device: { ...device, address, lastSeenMs: nowMs, earlier: { address: device.address, atMs: device.lastSeenMs } }, isInTwoPlaces };
}
