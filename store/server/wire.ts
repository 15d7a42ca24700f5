import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { clientOf } from './connection';

const TOLD = 'hyndle_told';
const READINGS = 'hyndle_readings';
/** The server takes less than 8000 bytes at once; whoever hears nothing of a longer one reads everything again. */
const MOST_BYTES = 7500;
/** Looks whether the line still stands, and whether this one may lead now. */
const BEAT_MS = 2000;
/** Any number, the same for every Hyndle: whoever holds it leads. */
const LEAD_LOCK = 7_041_994;

export interface Hearing {
  /** What another one told; null: something was missed. */
  readonly onText: (text: string | null) => void;
  /** Readings were written; the text after them waits until this is done. */
  readonly onReadings: () => Promise<void>;
  readonly onDown: (error: unknown) => void;
  readonly onUp: () => void;
}

/** The line between several Hyndles: LISTEN and NOTIFY over one connection that is opened again when it breaks. */
export class Wire {
  private readonly me = randomUUID();
  private client: pg.Client | null = null;
  private hearing: Hearing | null = null;
  private order: Promise<void> = Promise.resolve();
  private beat: NodeJS.Timeout | null = null;
  private isLeading = false;
  private stopped = false;

  constructor(private readonly url: string) {}

  get leads(): boolean {
    return this.isLeading;
  }

  async open(): Promise<void> {
    await this.connect();
    let busy = false;
    this.beat = setInterval(() => {
      if (busy || this.stopped) return;
      busy = true;
      void this.look().finally(() => {
        busy = false;
      });
    }, BEAT_MS);
    this.beat.unref();
  }

  listen(hearing: Hearing): void {
    this.hearing = hearing;
  }

  async tell(on: pg.Pool, text: string): Promise<void> {
    const payload = JSON.stringify({ from: this.me, text: Buffer.byteLength(text) > MOST_BYTES ? null : text });
    await on.query('select pg_notify($1, $2)', [TOLD, Buffer.byteLength(payload) > MOST_BYTES ? JSON.stringify({ from: this.me, text: null }) : payload]);
  }

  /** Told with the transaction that wrote them. */
  async tellReadings(client: pg.ClientBase): Promise<void> {
    await client.query('select pg_notify($1, $2)', [READINGS, this.me]);
  }

  async close(): Promise<void> {
    this.stopped = true;
    if (this.beat) clearInterval(this.beat);
    await this.client?.end().catch(() => undefined);
    await this.order;
  }

  private async connect(): Promise<void> {
    const client = clientOf(this.url);
    client.on('error', (error) => this.down(client, error));
    client.on('end', () => this.down(client, new Error('Connection ended')));
    client.on('notification', ({ channel, payload = '' }) => this.hear(channel, payload));
    try {
      await client.connect();
      await client.query(`listen ${TOLD}`);
      await client.query(`listen ${READINGS}`);
      await this.tryToLead(client);
    } catch (error) {
      // Half open it would hold a place on the server for nothing.
      await client.end().catch(() => undefined);
      throw error;
    }
    this.client = client;
  }

  private down(client: pg.Client, error: unknown): void {
    if (this.client !== client || this.stopped) return;
    this.client = null;
    this.isLeading = false;
    this.hearing?.onDown(error);
  }

  private async look(): Promise<void> {
    const client = this.client;
    try {
      if (client) {
        if (this.isLeading) await client.query('select 1');
        else await this.tryToLead(client);
        return;
      }
      await this.connect();
      this.hearing?.onUp();
      this.hearing?.onText(null);
    } catch (error) {
      if (client) this.down(client, error);
    }
  }

  private async tryToLead(client: pg.Client): Promise<void> {
    const { rows } = await client.query<{ got: boolean }>('select pg_try_advisory_lock($1) as got', [LEAD_LOCK]);
    this.isLeading = rows[0]?.got ?? false;
  }

  private hear(channel: string, payload: string): void {
    const { hearing } = this;
    if (!hearing) return;
    this.order = this.order
      .then(async () => {
        if (channel === READINGS) {
          if (payload !== this.me) await hearing.onReadings();
          return;
        }
        const { from, text } = JSON.parse(payload) as { from: string; text: string | null };
        if (from !== this.me) hearing.onText(text);
      })
      .catch((error) => console.error('What another Hyndle told could not be taken in:', error));
  }
}
