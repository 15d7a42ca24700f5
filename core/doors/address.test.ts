import { describe, expect, it } from 'vitest';
import { hostOf, isHomeAddress, plainAddress } from './address';

describe('addresses of a home', () => {
  // RFC 1918 section 3, RFC 3927 section 2.1, RFC 4193 section 3.1: first and last of each, and the neighbours outside.
  it.each([
    '10.0.0.0',
    '10.255.255.255',
    '172.16.0.0',
    '172.31.255.255',
    '192.168.0.0',
    '192.168.255.255',
    '169.254.1.0',
    'fc00::1',
    'fdff::1',
    '::ffff:10.0.0.2',
  ])('%s is one', (address) => expect(isHomeAddress(address)).toBe(true));
  it.each([
    '9.255.255.255',
    '11.0.0.0',
    '172.15.255.255',
    '172.32.0.0',
    '192.167.255.255',
    '192.169.0.0',
    '8.8.8.8',
    '127.0.0.1',
    '::1',
    'fe80::1',
    '2001:db8::1',
    'fb00::1',
  ])('%s is none', (address) => expect(isHomeAddress(address)).toBe(false));

  it('is written for a link without zone, IPv6 in brackets', () => {
    expect(hostOf(plainAddress('fd12::1%eth0'))).toBe('[fd12::1]');
    expect(hostOf(plainAddress('::ffff:192.168.1.5'))).toBe('192.168.1.5');
  });
});
