import { createPrivateKey, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { keptCertificates } from './certificates';

// What is expected is read by OpenSSL (node:crypto, node:tls), another library than the one that makes the certificates.
const DAY_MS = 86_400_000;
const NOW = Date.now();
let folder = '';

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'hyndle-certs-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** What a client that trusts only the authority says of the server at an address. */
function trusted(certificates: { key: string; pem: string; authorityPem: string }, address: string): Promise<string> {
  return new Promise((resolve) => {
    const server = createServer({ key: certificates.key, cert: certificates.pem + certificates.authorityPem }, (_, response) => response.end('hello'));
    server.listen(0, address, () => {
      const { port } = server.address() as AddressInfo;
      const done = (said: string) => server.close(() => resolve(said));
      get({ host: address, port, ca: certificates.authorityPem, agent: false }, (response) => response.on('data', (data) => done(String(data)))).on(
        'error',
        (error) => done(`${(error as NodeJS.ErrnoException).code} ${error.message}`),
      );
    });
  });
}

describe('certificates of the home', () => {
  it('are believed by who trusts the authority, at the addresses they name and at no other', async () => {
    const certificates = await keptCertificates(folder, ['127.0.0.1', '192.168.1.5', 'fd00::5'], NOW);
    expect(await trusted(certificates, '127.0.0.1')).toBe('hello');
    expect(await trusted(certificates, '127.0.0.9')).toMatch(/^ERR_TLS_CERT_ALTNAME_INVALID/);
    const cert = new X509Certificate(certificates.pem);
    for (const address of ['192.168.1.5', 'fd00::5']) expect(cert.checkIP(address), address).toBe(address);
    expect(cert.checkPrivateKey(createPrivateKey(certificates.key))).toBe(true);
    expect(cert.ca).toBe(false);
  });

  it('last no longer than phones allow (398 days), and begin before today, since clocks differ', async () => {
    const { pem, authorityPem } = await keptCertificates(folder, ['10.0.0.5'], NOW);
    const cert = new X509Certificate(pem);
    const days = (Date.parse(cert.validTo) - Date.parse(cert.validFrom)) / DAY_MS;
    expect(days).toBeLessThanOrEqual(398);
    expect(Date.parse(cert.validFrom)).toBeLessThan(NOW - DAY_MS);
    const authority = new X509Certificate(authorityPem);
    expect(authority.ca).toBe(true);
    expect((Date.parse(authority.validTo) - NOW) / DAY_MS).toBeGreaterThan(3600);
  });

  it('an authority that was stolen vouches for nothing outside of a home: no other address is believed', async () => {
    const good = await keptCertificates(folder, ['127.0.0.1'], NOW);
    rmSync(path.join(folder, 'server.pem'));
    // The same authority, made to vouch for an address of the world.
    const bad = await keptCertificates(folder, ['127.0.0.1', '203.0.113.7'], NOW);
    expect(bad.authorityPem).toBe(good.authorityPem);
    expect(await trusted(bad, '127.0.0.1')).toMatch(/permitted subtree violation/i);
  });

  it('are kept: the same again at the next start, readable by the owner alone', async () => {
    const first = await keptCertificates(folder, ['10.0.0.5'], NOW);
    expect(await keptCertificates(folder, ['10.0.0.5'], NOW + DAY_MS)).toEqual(first);
    for (const file of ['authority.key', 'server.key']) expect(statSync(path.join(folder, file)).mode & 0o777, file).toBe(0o600);
  });

  it('another address, or the end of their time, renews the certificate and not the authority', async () => {
    const first = await keptCertificates(folder, ['10.0.0.5'], NOW);
    const moved = await keptCertificates(folder, ['10.0.0.6'], NOW);
    const later = await keptCertificates(folder, ['10.0.0.6'], NOW + 340 * DAY_MS);
    expect(new Set([first.pem, moved.pem, later.pem]).size).toBe(3);
    expect([moved.authorityPem, later.authorityPem]).toEqual([first.authorityPem, first.authorityPem]);
    expect(moved.fingerprint).toBe(new X509Certificate(first.authorityPem).fingerprint256);
  });

  it('a clock a day behind keeps them; years behind makes them anew rather than fail', async () => {
    const first = await keptCertificates(folder, ['10.0.0.5'], NOW);
    expect((await keptCertificates(folder, ['10.0.0.5'], NOW - DAY_MS)).pem).toBe(first.pem);
    expect((await keptCertificates(folder, ['10.0.0.5'], NOW - 1000 * DAY_MS)).pem).not.toBe(first.pem);
  });

  it.each(['authority.pem', 'authority.key', 'server.pem', 'server.key'])('a damaged %s is made anew', async (file) => {
    await keptCertificates(folder, ['127.0.0.1'], NOW);
    writeFileSync(path.join(folder, file), readFileSync(path.join(folder, file), 'utf8').slice(0, 80));
    expect(await trusted(await keptCertificates(folder, ['127.0.0.1'], NOW), '127.0.0.1')).toBe('hello');
  });
});
