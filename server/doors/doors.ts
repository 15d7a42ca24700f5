import { type Device, offered, seen, weigh } from '@/core/doors/device';
import { codeOf, type Invite, isOpen, newInvite, type Role, tryDigits } from '@/core/doors/joining';
import type { Scope, Token } from '@/core/doors/scope';
import { NotStored } from '@/store/store';
import { diskTrouble } from '@/store/trouble';
import { type KeptDoors, readDoors, writeDoors } from './keptDoors';
import { Limits } from './limits';
import { CHANCE, type Chance, hashOf } from './secrets';
import { Underway } from './underway';

/** Who is at the door. */
export type Comer =
  | { readonly kind: 'device'; readonly device: Device /** A new cookie to give it, once a day. */; readonly cookie: string | null }
  | { readonly kind: 'token'; readonly token: Token }
  | { readonly kind: 'stranger' };

const SEEN_EVERY_MS = 60_000;
export const MOST_DEVICES = 40;

/**
 * Who may come in from outside this machine: devices by a cookie each, programs by a token each, everybody else not. All of
 * it is one small file; a device is only told that it is in after that was forced to the disk.
 */
export class Doors {
  private kept: KeptDoors;
  private invited: Invite | null = null;
  private readonly seenKeptMs = new Map<string, number>();
  private readonly underway = new Underway();
  readonly limits: Limits;
  private readonly passing = new Map<string, Token>();
  private readonly listeners = new Set<() => void>();
  readonly notices: readonly string[];

  constructor(
    private readonly folder: string,
    readonly nowMs: () => number = Date.now,
    private readonly chance: Chance = CHANCE,
  ) {
    this.limits = new Limits(nowMs);
    const { kept, damaged } = readDoors(folder);
    this.kept = kept;
    this.notices = damaged ? ['The list of devices and tokens could not be read and is set aside: devices join again, tokens are made anew.'] : [];
  }

  get devices(): readonly Device[] {
    return this.kept.devices;
  }
  get tokens(): readonly Token[] {
    return this.kept.tokens;
  }
  get isOpen(): boolean {
    return this.kept.isOpen;
  }
  get securePort(): number | null {
    return this.kept.securePort;
  }
  get invite(): Invite | null {
    return this.invited && isOpen(this.invited, this.nowMs()) ? this.invited : null;
  }

  setOpen(isOpen: boolean): void {
    if (isOpen !== this.kept.isOpen) this.keep({ ...this.kept, isOpen });
  }
  setSecurePort(securePort: number): void {
    if (securePort !== this.kept.securePort) this.keep({ ...this.kept, securePort });
  }

  /** @returns the code that one device joins by */
  letIn(role: Role): string {
    this.invited = newInvite(role, this.nowMs(), [this.chance.share(), this.chance.share()]);
    this.tell();
    return codeOf(this.invited);
  }
  endInvite(): void {
    this.invited = null;
    this.tell();
  }

  /** @returns the cookie of a device that is now in */
  join(typed: string, name: string, address: string): { readonly kind: 'in'; readonly cookie: string } | { readonly kind: 'wrong' | 'closed' | 'full' } {
    const nowMs = this.nowMs();
    const tried = tryDigits(this.invited, typed, nowMs);
    switch (tried.kind) {
      case 'closed':
        return tried;
      case 'wrong':
        this.invited = tried.invite;
        this.tell();
        return { kind: isOpen(tried.invite, nowMs) ? 'wrong' : 'closed' };
      case 'welcome': {
        if (this.kept.devices.length >= MOST_DEVICES) return { kind: 'full' };
        const secret = this.chance.secret();
        const device: Device = {
          id: this.chance.id(),
          name,
          role: tried.role,
          joinedAtMs: nowMs,
          lastSeenMs: nowMs,
          address,
          earlier: null,
          secret: { hash: hashOf(secret), sinceMs: nowMs, next: null, before: null },
        };
        // Used up before it is written: what is in doubt lets nobody in twice.
        this.invited = null;
        this.keep({ ...this.kept, devices: [...this.kept.devices, device] });
        return { kind: 'in', cookie: `${device.id}.${secret}` };
      }
    }
  }

  /** @param cookie as it came; null where there was none */
  deviceWith(cookie: string | null, address: string): Comer {
    const [id = '', secret = ''] = cookie?.split('.') ?? [];
    const device = this.kept.devices.find((one) => one.id === id);
    if (!device) return { kind: 'stranger' };
    const nowMs = this.nowMs();
    const shown = weigh(device.secret, hashOf(secret), nowMs);
    if (shown.kind === 'wrong') return { kind: 'stranger' };
    const { device: now, isInTwoPlaces } = seen(device, address, nowMs);
    if (shown.kind === 'old' || isInTwoPlaces) {
      console.warn(`The device “${device.name}” was put out: its cookie was used from two places.`);
      void this.putOut(device.id);
      return { kind: 'stranger' };
    }
    const next = shown.offer ? this.chance.secret() : null;
    const secretNow = next === null ? shown.kept : offered(shown.kept, hashOf(next), nowMs);
    this.replace({ ...now, secret: secretNow }, secretNow !== device.secret || now.address !== device.address);
    return { kind: 'device', device: now, cookie: next === null ? null : `${id}.${next}` };
  }

  /** @param shown what stands behind “Bearer” */
  tokenWith(shown: string): Comer {
    const hash = hashOf(shown);
    const passing = this.passing.get(hash);
    if (passing) return { kind: 'token', token: passing };
    const token = this.kept.tokens.find((one) => one.hash === hash);
    if (!token) return { kind: 'stranger' };
    const nowMs = this.nowMs();
    if (nowMs - (token.lastUsedMs ?? 0) > SEEN_EVERY_MS)
      this.hold({ ...this.kept, tokens: this.kept.tokens.map((one) => (one === token ? { ...token, lastUsedMs: nowMs } : one)) });
    return { kind: 'token', token };
  }

  /** @returns the token itself, shown this once and kept nowhere */
  makeToken(id: string, name: string, scope: Scope, madeBy: string | null = null): { readonly token: Token; readonly secret: string } {
    const secret = `hyndle_${this.chance.secret()}`;
    const token: Token = { id, name, scope, hash: hashOf(secret), madeAtMs: this.nowMs(), lastUsedMs: null, madeBy };
    this.keep({ ...this.kept, tokens: [...this.kept.tokens, token] });
    return { token, secret };
  }

  /** A token for a device that ships with Hyndle and lives no longer than this process. */
  passingToken(name: string, scope: Scope): string {
    const secret = this.chance.secret();
    const hash = hashOf(secret);
    this.passing.set(hash, { id: name, name, scope, hash, madeAtMs: this.nowMs(), lastUsedMs: null, madeBy: null });
    return secret;
  }

  /** Ends a token, as a device is put out. */
  async endToken(id: string): Promise<boolean> {
    const tokens = this.kept.tokens.filter((one) => one.id !== id);
    if (tokens.length === this.kept.tokens.length) return false;
    this.hold({ ...this.kept, tokens });
    await this.underway.end(id);
    return true;
  }

  /** Puts a device out, and with it the tokens that it made. Resolves when its last act that was under way is answered: what was answered counts, nothing after. */
  async putOut(id: string): Promise<boolean> {
    const devices = this.kept.devices.filter((one) => one.id !== id);
    if (devices.length === this.kept.devices.length) return false;
    const theirs = this.kept.tokens.filter((one) => one.madeBy === id);
    this.hold({ ...this.kept, devices, tokens: this.kept.tokens.filter((one) => one.madeBy !== id) });
    await Promise.all([id, ...theirs.map((one) => one.id)].map((one) => this.underway.end(one)));
    return true;
  }

  /** Whether a device or a token of this id is in. */
  isIn(id: string): boolean {
    const isIt = (one: { readonly id: string }) => one.id === id;
    return this.kept.devices.some(isIt) || this.kept.tokens.some(isIt) || [...this.passing.values()].some(isIt);
  }

  /** Runs an act of a device or a token; null when it was put out before the act began. */
  async act<T>(id: string, work: () => Promise<T>): Promise<{ readonly value: T } | null> {
    return this.isIn(id) ? { value: await this.underway.act(id, work) } : null;
  }

  /** @returns forgets the stream again; null when it has as many open as it may */
  stream(id: string, close: () => void): (() => void) | null {
    return this.underway.stream(id, close);
  }

  /** Hears of every change that a person would see. */
  listen(listener: () => void): void {
    this.listeners.add(listener);
  }
  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  /** Throws NotStored where the disk refuses: then nothing is changed. */
  private keep(kept: KeptDoors): void {
    try {
      writeDoors(this.folder, kept);
    } catch (error) {
      throw new NotStored(diskTrouble(error));
    }
    this.kept = kept;
    this.tell();
  }

  /** What holds from now on, whatever the disk says of it: who was seen when, and who is out. */
  private hold(kept: KeptDoors): void {
    this.kept = kept;
    try {
      writeDoors(this.folder, kept);
    } catch (error) {
      console.warn(`The list of devices could not be written. ${diskTrouble(error)}`);
    }
    this.tell();
  }

  /** When it was last seen is written once a minute at most: it is for a person to read. */
  private replace(device: Device, isWeighty: boolean): void {
    const kept = { ...this.kept, devices: this.kept.devices.map((one) => (one.id === device.id ? device : one)) };
    const keptMs = this.seenKeptMs.get(device.id) ?? 0;
    if (isWeighty || Math.abs(device.lastSeenMs - keptMs) > SEEN_EVERY_MS) {
      this.seenKeptMs.set(device.id, device.lastSeenMs);
      this.hold(kept);
    } else this.kept = kept;
  }
}
