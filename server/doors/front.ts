import { createServer as createHttp, type RequestListener, type Server } from 'node:http';
import { createServer as createHttps, type Server as SecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import { hostOf, isHomeAddress, plainAddress } from '@/core/doors/address';
import { Announcer } from './announce';
import { type Certificates, keptCertificates } from './certificates';
import type { Doors } from './doors';
import { Connections } from './patience';

/** What bin/server.mjs hands over. */
interface Handed {
  readonly behind: (door: 'home') => RequestListener;
  readonly port: number;
  readonly isRefusedByBrowsers: (port: number) => boolean;
}

/** One address of the home network that is listened on. */
export interface Listening {
  readonly address: string;
  readonly url: string;
  readonly isSecure: boolean;
}

const LOOK_EVERY_MS = 5000;
const RENEW_EVERY_MS = 3_600_000;
const PORTS_TRIED = 20;
/**
 * Of outside hands: how long a head may take, and how long a connection may be silent (a live stream ticks every 15 s). A whole
 * archive over a slow Wi-Fi takes its time; a body that drips is noticed by itself (patience.ts).
 */
const PATIENCE = { keepAliveTimeout: 65_000, headersTimeout: 10_000, requestTimeout: 3_600_000, timeout: 60_000, maxConnections: 1000 } as const;

/**
 * The doors to the home network: opened and closed while the application runs, on every address that is somebody's own home
 * and on no other, looked at again every few seconds since networks come and go.
 */
export class Front {
  private readonly open = new Map<string, { readonly plain: Server; readonly secure: SecureServer; readonly securePort: number }>();
  readonly connections = new Connections();
  private certificates: Certificates | null = null;
  private certifiedMs = 0;
  private problem: string | null = null;
  private working: Promise<void> = Promise.resolve();
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly doors: Doors,
    private readonly folder: string,
    private readonly handed: Handed,
    private readonly addresses: () => readonly string[] = ownHomeAddresses,
    private readonly announcer = new Announcer(),
  ) {
    this.timer = setInterval(() => void this.adjust(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  /** Why nothing, or not all, is listened on; null when all is well or the doors are shut. */
  get trouble(): string | null {
    if (!this.doors.isOpen) return null;
    if (this.open.size === 0 && this.problem === null)
      return 'This machine is in no home network now. Connect it to your Wi-Fi or cable; Hyndle opens by itself then.';
    return this.problem;
  }

  /** First by the name that stays when the address changes, then by each address. */
  get listening(): readonly Listening[] {
    const open = [...this.open].map(([address, { securePort }]) => ({ address, securePort }));
    const { name } = this.announcer;
    const named = name !== null && open[0] ? [{ address: name, securePort: open[0].securePort }] : [];
    return [...named, ...open].flatMap(({ address, securePort }) => [
      { address, url: `https://${hostOf(address)}:${securePort}`, isSecure: true },
      { address, url: `http://${hostOf(address)}:${this.handed.port}`, isSecure: false },
    ]);
  }

  get authority(): { readonly pem: string; readonly fingerprint: string } | null {
    return this.certificates && { pem: this.certificates.authorityPem, fingerprint: this.certificates.fingerprint };
  }

  /** Makes what is listened on what it should be. One at a time. */
  adjust(): Promise<void> {
    this.working = this.working
      .then(() => this.adjustNow())
      .catch((error) => {
        this.problem = `The home network could not be opened: ${String((error as Error).message)}`;
      });
    return this.working;
  }

  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.working;
    this.announcer.close();
    for (const address of [...this.open.keys()]) this.shut(address);
  }

  private async adjustNow(): Promise<void> {
    const wanted = this.doors.isOpen ? this.addresses() : [];
    for (const address of [...this.open.keys()]) if (!wanted.includes(address)) this.shut(address);
    if (wanted.length === 0) {
      this.problem = null;
      return this.announcer.set([]);
    }
    const isNew = wanted.some((address) => !this.open.has(address));
    const nowMs = this.doors.nowMs();
    if (!this.certificates || isNew || Math.abs(nowMs - this.certifiedMs) > RENEW_EVERY_MS) await this.certify(wanted, nowMs);
    this.problem = null;
    for (const address of wanted) if (!this.open.has(address)) await this.listen(address);
    await this.announcer.set([...this.open.keys()].filter((address) => !address.includes(':')));
  }

  private async certify(addresses: readonly string[], nowMs: number): Promise<void> {
    const before = this.certificates;
    this.certificates = await keptCertificates(this.folder, addresses, nowMs);
    this.certifiedMs = nowMs;
    if (before && before.pem !== this.certificates.pem) for (const { secure } of this.open.values()) secure.setSecureContext(secureContext(this.certificates));
  }

  private async listen(address: string): Promise<void> {
    if (!this.certificates) return;
    const listener = this.handed.behind('home');
    const plain = createHttp(listener);
    const secure = createHttps(secureContext(this.certificates), listener);
    for (const server of [plain, secure]) {
      Object.assign(server, PATIENCE);
      server.on('connection', this.connections.add);
    }
    try {
      await listenOn(plain, address, this.handed.port);
      const first = this.doors.securePort ?? this.handed.port + 1;
      const securePort = await firstFree(secure, address, first, this.handed.isRefusedByBrowsers);
      this.doors.setSecurePort(securePort);
      this.open.set(address, { plain, secure, securePort });
    } catch (error) {
      plain.close();
      secure.close();
      this.problem = `${address} could not be opened: ${portTrouble(error, this.handed.port)}`;
    }
  }

  private shut(address: string): void {
    const servers = this.open.get(address);
    this.open.delete(address);
    for (const server of servers ? [servers.plain, servers.secure] : []) {
      server.close();
      server.closeAllConnections();
    }
  }
}

/** Addresses of the home network that this machine has; HYNDLE_LAN_ADDRESSES names others, for a network that is set up otherwise. */
export function ownHomeAddresses(): readonly string[] {
  const named = process.env.HYNDLE_LAN_ADDRESSES;
  if (named !== undefined) return named.split(/[\s,]+/).filter(Boolean);
  const own = Object.values(networkInterfaces()).flatMap((addresses) => addresses ?? []);
  return own.filter(({ internal, address }) => !internal && isHomeAddress(address)).map(({ address }) => plainAddress(address));
}

const secureContext = ({ key, pem, authorityPem }: Certificates) => ({ key, cert: pem + authorityPem, minVersion: 'TLSv1.2' as const });

function listenOn(server: Server | SecureServer, address: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, address, () => {
      server.off('error', reject);
      server.on('error', (error) => console.warn(error));
      resolve();
    });
  });
}

async function firstFree(server: SecureServer, address: string, first: number, isRefused: (port: number) => boolean): Promise<number> {
  for (let port = first; ; port++) {
    if (isRefused(port)) continue;
    try {
      await listenOn(server, address, port);
      return port;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE' || port >= first + PORTS_TRIED) throw error;
    }
  }
}

function portTrouble(error: unknown, port: number): string {
  const { code, message } = error as NodeJS.ErrnoException;
  return code === 'EADDRINUSE' ? `port ${port} is taken there by another program. Start Hyndle with another one: PORT=${port + 10}.` : message;
}
