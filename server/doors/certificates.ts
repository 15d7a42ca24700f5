import 'reflect-metadata';
import { createHash, createPrivateKey, X509Certificate as ReadCertificate, webcrypto } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, id_ce_nameConstraints, NameConstraints } from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';
import { ANNOUNCED } from '@/core/doors/address';
import { writeOwned } from './keptDoors';

/** The certificate that the home network is answered with, and the authority that vouches for it. */
export interface Certificates {
  readonly key: string;
  readonly pem: string;
  readonly authorityPem: string;
  /** SHA-256 of the authority, in pairs, as a phone shows it. */
  readonly fingerprint: string;
}

const DAY_MS = 86_400_000;
const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const AUTHORITY_DAYS = 3650;
/** Phones take no longer one (at most 398 days). */
const SERVER_DAYS = 390;
const RENEW_BEFORE_DAYS = 60;
/** Clocks of the house differ by a day and more. */
const BACKDATED_MS = 2 * DAY_MS;

/** What the authority may vouch for, however it is used (RFC 5280, 4.2.1.10): addresses of homes, and names that exist only in them. */
const HOME_NETS = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8', 'fc00::/7'];
const HOME_NAMES = ['local'];

/**
 * The authority is made once; the certificate anew when an address is not in it, when it runs out, or when the clock says that
 * it is not yet. What cannot be read is made anew too, since nothing else would ever mend it.
 * @param folder only its owner may look in
 */
export async function keptCertificates(folder: string, addresses: readonly string[], nowMs: number): Promise<Certificates> {
  const files = { authorityKey: 'authority.key', authority: 'authority.pem', key: 'server.key', cert: 'server.pem' } as const;
  const at = (name: keyof typeof files) => path.join(folder, files[name]);
  const had = (name: keyof typeof files) => (existsSync(at(name)) ? readFileSync(at(name), 'utf8') : '');

  let authorityPem = had('authority');
  let authorityKey = had('authorityKey');
  if (!isGood(authorityPem, nowMs, RENEW_BEFORE_DAYS) || !belongs(authorityKey, authorityPem)) {
    const made = await makeAuthority(nowMs);
    authorityPem = made.pem;
    authorityKey = made.key;
    writeOwned(at('authorityKey'), authorityKey);
    writeOwned(at('authority'), authorityPem);
  }
  let pem = had('cert');
  let key = had('key');
  if (!isGood(pem, nowMs, RENEW_BEFORE_DAYS) || !belongs(key, pem) || !vouchedBy(pem, authorityPem) || !names(pem, addresses)) {
    const made = await makeServer(authorityPem, authorityKey, addresses, nowMs);
    pem = made.pem;
    key = made.key;
    writeOwned(at('key'), key);
    writeOwned(at('cert'), pem);
  }
  return { key, pem, authorityPem, fingerprint: fingerprintOf(authorityPem) };
}

const read = (pem: string): ReadCertificate | null => {
  try {
    return new ReadCertificate(pem);
  } catch {
    return null;
  }
};

function isGood(pem: string, nowMs: number, daysLeft: number): boolean {
  const certificate = read(pem);
  return certificate !== null && Date.parse(certificate.validFrom) <= nowMs && Date.parse(certificate.validTo) > nowMs + daysLeft * DAY_MS;
}

function belongs(key: string, pem: string): boolean {
  try {
    return read(pem)?.checkPrivateKey(createPrivateKey(key)) ?? false;
  } catch {
    return false;
  }
}

const vouchedBy = (pem: string, authorityPem: string): boolean => {
  const authority = read(authorityPem);
  return authority !== null && (read(pem)?.verify(authority.publicKey) ?? false);
};

const names = (pem: string, addresses: readonly string[]): boolean => addresses.every((address) => read(pem)?.checkIP(address) !== undefined);

function fingerprintOf(pem: string): string {
  const raw = read(pem)?.raw ?? Buffer.alloc(0);
  return (createHash('sha256').update(raw).digest('hex').toUpperCase().match(/../g) ?? []).join(':');
}

interface Made {
  readonly pem: string;
  readonly key: string;
}

async function makeAuthority(nowMs: number): Promise<Made> {
  const keys = await newKeys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Hyndle at home (${hostname()})`,
    ...validFor(AUTHORITY_DAYS, nowMs),
    signingAlgorithm: ALGORITHM,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      onlyAtHome(),
    ],
  });
  return { pem: `${certificate.toString('pem')}\n`, key: await pemOf(keys.privateKey) };
}

async function makeServer(authorityPem: string, authorityKey: string, addresses: readonly string[], nowMs: number): Promise<Made> {
  const authority = new x509.X509Certificate(authorityPem);
  const keys = await newKeys();
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Hyndle',
    issuer: authority.subject,
    ...validFor(SERVER_DAYS, nowMs),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey,
    signingKey: await keyFrom(authorityKey),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([
        ...addresses.map((value) => ({ type: 'ip' as const, value })),
        ...[`${hostname().split('.')[0]?.toLowerCase()}.local`, ...ANNOUNCED].map((value) => ({ type: 'dns' as const, value })),
      ]),
      await x509.AuthorityKeyIdentifierExtension.create(authority),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { pem: `${certificate.toString('pem')}\n`, key: await pemOf(keys.privateKey) };
}

const newKeys = (): Promise<CryptoKeyPair> => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;

const serial = (): string => Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString('hex');

const validFor = (days: number, nowMs: number) => ({
  notBefore: new Date(nowMs - BACKDATED_MS),
  notAfter: new Date(nowMs - BACKDATED_MS + days * DAY_MS),
});

const pemOf = async (key: CryptoKey): Promise<string> => x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');

const keyFrom = (pem: string): Promise<CryptoKey> =>
  webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(pem), ALGORITHM, false, ['sign']) as Promise<CryptoKey>;

/** A key that was stolen opens nothing outside of a home: no certificate of this authority counts for any name of the world. */
function onlyAtHome(): x509.Extension {
  const permitted = [...HOME_NETS.map((net) => new GeneralName({ iPAddress: net })), ...HOME_NAMES.map((name) => new GeneralName({ dNSName: name }))].map(
    (base) => new GeneralSubtree({ base }),
  );
  return new x509.Extension(id_ce_nameConstraints, true, AsnConvert.serialize(new NameConstraints({ permittedSubtrees: new GeneralSubtrees(permitted) })));
}
