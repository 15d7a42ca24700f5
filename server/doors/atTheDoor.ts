import { hostname } from 'node:os';
import { type Meaning, meaningOf } from '@/contract/address';
import { ANNOUNCED, hostOf, plainAddress } from '@/core/doors/address';
import { type Need, roleAllows, scopeAllows } from '@/core/doors/scope';
import { cookieName } from './cookie';
import type { Comer, Doors } from './doors';
import type { ALLOWANCES } from './limits';
import { needOf } from './need';

/** What is known of a request before anything of it is read. */
export interface Knock {
  /** By which door it came: the machine’s own, that of the home network, or one that is not ours. */
  readonly door: 'machine' | 'home' | 'none';
  readonly isSecure: boolean;
  /** Where it comes from. */
  readonly peer: string;
  /** Where it arrived: address and port. */
  readonly at: { readonly address: string; readonly port: number };
  readonly method: string;
  /** What its path means (contract/address.ts): never the path as it was spelled. */
  readonly segments: readonly string[];
  readonly host: string;
  readonly origin: string | null;
  readonly cookie: (name: string) => string | null;
  readonly bearer: string | null;
}

export type Verdict =
  /** @param by who asks: `machine`, `device:ID`, `token:ID`, or a `stranger` who looks at what is for strangers */
  | { readonly kind: 'in'; readonly by: string; readonly cookie: string | null }
  | { readonly kind: 'join' }
  | { readonly kind: 'refused'; readonly status: 401 | 403 | 404 | 405 | 421 | 429; readonly title: string; readonly detail: string; readonly waitS?: number };

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/i;
const FOR_STRANGERS = /^\/(join($|\/)|_next\/static\/|icons\/|icon\.svg$|apple-icon\.png$|manifest\.webmanifest$)/;
const FILES = /^\/(_next\/static\/|icons\/)/;

const refused = (status: 401 | 403 | 404 | 405 | 421, title: string, detail: string): Verdict => ({ kind: 'refused', status, title, detail });

/**
 * Who is let in. A foreign Host is a name that was made to point here (DNS rebinding), a foreign Origin a page of somebody
 * else’s: both are refused whoever asks.
 */
export function judge(knock: Knock, doors: Doors): Verdict {
  const { door, host, origin, method, peer } = knock;
  if (!hostsOf(knock)(host)) return refused(421, 'Wrong door', wrongDoor(knock));
  if (origin !== null && origin !== `${knock.isSecure ? 'https' : 'http'}://${host}`)
    return refused(403, 'Foreign page', 'Another page tried to reach Hyndle; it was not let in.');
  if (knock.bearer !== null) return judgeToken(knock, knock.bearer, doors);
  if (door === 'machine') return { kind: 'in', by: 'machine', cookie: null };

  const comer = doors.deviceWith(knock.cookie(cookieName(knock.isSecure)), plainAddress(peer));
  if (comer.kind !== 'device') return judgeStranger(knock, doors);
  const { id, role } = comer.device;
  const late = FILES.test(pathOf(knock)) ? null : tooMuch(doors, 'device', id);
  if (late) return late;
  const meaning = meaningOf(method, knock.segments);
  const need = needOf(method, meaning);
  if (!need) return notThere(meaning);
  if (!roleAllows(role, need)) return refused(403, 'Only looking', onlyLooking(need));
  return { kind: 'in', by: `device:${id}`, cookie: comer.cookie };
}

function judgeStranger(knock: Knock, doors: Doors): Verdict {
  const { method, peer } = knock;
  const path = pathOf(knock);
  if (FILES.test(path)) return { kind: 'in', by: 'stranger', cookie: null };
  const late = tooMuch(doors, 'stranger', plainAddress(peer));
  if (late) return late;
  if (FOR_STRANGERS.test(path)) return { kind: 'in', by: 'stranger', cookie: null };
  if (method !== 'GET' || knock.segments[0] === 'api')
    return refused(401, 'Not joined', 'This device has not joined. Open Hyndle’s address in its browser and type the six digits.');
  return { kind: 'join' };
}

function judgeToken({ peer, method, segments }: Knock, bearer: string, doors: Doors): Verdict {
  const comer: Comer = doors.tokenWith(bearer);
  if (comer.kind !== 'token')
    return tooMuch(doors, 'guess', plainAddress(peer)) ?? refused(401, 'Not a token', 'This token is not known here, or was ended. Make a new one in Home.');
  const late = tooMuch(doors, 'token', comer.token.id);
  if (late) return late;
  const meaning = meaningOf(method, segments);
  const need = needOf(method, meaning);
  if (!need) return notThere(meaning);
  return scopeAllows(comer.token.scope, need)
    ? { kind: 'in', by: `token:${comer.token.id}`, cookie: null }
    : refused(403, 'Not with this token', `The token “${comer.token.name}” does not open this.`);
}

const pathOf = ({ segments }: Knock): string => `/${segments.join('/')}`;

/** Below /api, only what stands in its tables is let through to those who are not the machine itself. */
const notThere = (meaning: Meaning): Verdict =>
  meaning.kind === 'nothing' && meaning.otherMethods.length > 0
    ? refused(405, 'Not this way', `This address takes ${meaning.otherMethods.join(' or ')}.`)
    : refused(404, 'Not found', 'There is nothing at this address.');

function tooMuch(doors: Doors, kind: keyof typeof ALLOWANCES, key: string): Verdict | null {
  const waitS = Math.ceil(doors.limits.waitMs(kind, key) / 1000);
  return waitS === 0
    ? null
    : { kind: 'refused', status: 429, title: 'Too much at once', detail: `Hyndle is asked too much from there. Wait ${waitS} s and try again.`, waitS };
}

function hostsOf({ door, at }: Knock): (host: string) => boolean {
  switch (door) {
    case 'machine':
      return (host) => LOOPBACK.test(host);
    case 'home': {
      const names = [hostOf(plainAddress(at.address)), `${hostname().split('.')[0]?.toLowerCase()}.local`, ...ANNOUNCED];
      return (host) => names.some((name) => host.toLowerCase() === `${name}:${at.port}`);
    }
    case 'none':
      return () => false;
  }
}

function wrongDoor({ door }: Knock): string {
  switch (door) {
    case 'machine':
      return 'Hyndle answers on this machine only: open it at 127.0.0.1.';
    case 'home':
      return 'Hyndle is not at this name. Open it by the address that the machine shows in Home.';
    case 'none':
      return 'Hyndle is behind a server of its own: start it with npm start.';
  }
}

const onlyLooking = (need: Need): string =>
  need.kind === 'doors'
    ? 'Who is let in is decided on the machine itself.'
    : 'This device may look, and change nothing. Let it in anew on the machine to give it hands.';
