/**
 * The networks that are somebody's own home: RFC 1918 (10/8, 172.16/12, 192.168/16), RFC 3927 link-local (169.254/16) and
 * RFC 4193 unique local IPv6 (fc00::/7). Nothing else is listened on: a public address is the whole world.
 * @param address as a socket gives it; an IPv4 address within IPv6 (`::ffff:10.0.0.2`) counts as IPv4
 */
export function isHomeAddress(address: string): boolean {
  const plain = plainAddress(address);
  const [a = 0, b = 0] = plain.split('.').map(Number);
  if (plain.includes('.')) return a === 10 || (a === 172 && b >= 16 && b <= 31) || (a === 192 && b === 168) || (a === 169 && b === 254);
  return /^f[cd]/i.test(plain);
}

/** The address without the zone of its interface and without IPv6 around an IPv4 address. */
export const plainAddress = (address: string): string => address.replace(/%.*$/, '').replace(/^::ffff:(?=\d+\.\d+\.\d+\.\d+$)/i, '');

/** Names by which a device of the home finds the machine, the first that nobody else there has. */
export const ANNOUNCED = ['hyndle.local', 'hyndle-2.local', 'hyndle-3.local'] as const;

/** As it stands in a link: IPv6 in brackets. */
export const hostOf = (address: string): string => (address.includes(':') ? `[${address}]` : address);
