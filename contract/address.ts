import { type EndpointId, matchEndpoint } from './endpoints';
import { type FileDoorId, matchFileDoor } from './fileDoors';

/**
 * Which address a request means. Decided here and nowhere else: the door judges what comes out of it, and the request goes on
 * under the one spelling that `canonical` gives, so that no reader further in can understand another address.
 */

const API = ['api', 'v1'] as const;
/** What no segment of ours holds once its escapes are read: a second escape, another separator, a control character. */
const UNREADABLE = /[%/\\\p{Cc}]|^\.\.?$/u;

/**
 * @param raw the path as it was sent, without its query
 * @returns its segments with their escapes read once, empty ones left out; null where they cannot be read, or would not mean the same to every reader
 */
export function segmentsOf(raw: string): readonly string[] | null {
  try {
    const segments = raw
      .split('/')
      .filter((segment) => segment !== '')
      .map(decodeURIComponent);
    return raw.startsWith('/') && !segments.some((segment) => UNREADABLE.test(segment)) ? segments : null;
  } catch {
    return null;
  }
}

/** The one spelling of an address. */
export const canonical = (segments: readonly string[]): string => `/${segments.map(encodeURIComponent).join('/')}`;

export type Meaning =
  | { readonly kind: 'endpoint'; readonly id: EndpointId; readonly params: Readonly<Record<string, string>> }
  | { readonly kind: 'file'; readonly id: FileDoorId; readonly params: Readonly<Record<string, string>> }
  /** Below /api, and nothing of ours; by other methods there may be something. */
  | { readonly kind: 'nothing'; readonly otherMethods: readonly string[] }
  | { readonly kind: 'page' };

export function meaningOf(method: string, segments: readonly string[]): Meaning {
  if (segments[0] !== 'api') return { kind: 'page' };
  if (segments[1] !== API[1]) return { kind: 'nothing', otherMethods: [] };
  const path = `/${segments.slice(API.length).join('/')}`;
  // What may be looked at may be asked for without its body too.
  const asked = method === 'HEAD' ? 'GET' : method;
  const file = matchFileDoor(asked, path);
  if (file.id !== null) return { kind: 'file', ...file };
  const endpoint = matchEndpoint(asked, path);
  return endpoint.id !== null
    ? { kind: 'endpoint', ...endpoint }
    : { kind: 'nothing', otherMethods: [...new Set([...endpoint.otherMethods, ...file.otherMethods])] };
}
