import { type ClientRequest, type IncomingHttpHeaders, request as plainRequest } from 'node:http';
import { request as secureRequest } from 'node:https';

/** Somebody in the same network, at a loopback address of its own: it may send anything, headers that no browser would send too. */
export interface Sent {
  readonly method?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string;
  /** Reads so long and then goes away: for streams. */
  readonly forMs?: number;
  readonly ca?: string;
}
export interface Got {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly body: string;
}

export function neighbour(localAddress: string, url: string, { method = 'GET', headers = {}, body, forMs, ca }: Sent = {}): Promise<Got> {
  return new Promise((resolve, reject) => {
    const options = {
      method,
      headers: body === undefined ? headers : { 'content-type': 'application/json', ...headers },
      localAddress,
      timeout: 15_000,
      agent: false,
    };
    const hear = (sent: ClientRequest) => {
      sent.on('error', reject);
      sent.on('timeout', () => sent.destroy(new Error('timeout')));
      sent.on('response', (response) => {
        let text = '';
        const done = () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text });
        response.on('data', (chunk: Buffer) => {
          text += chunk.toString();
        });
        response.on('end', done);
        response.on('error', done);
        if (forMs !== undefined)
          setTimeout(() => {
            done();
            sent.destroy();
          }, forMs);
      });
      sent.end(body);
    };
    hear(url.startsWith('https:') ? secureRequest(url, { ...options, ca }) : plainRequest(url, options));
  });
}

/** The cookie that an answer gives, as it is sent back. */
export const cookieOf = ({ headers }: Got): string => (headers['set-cookie'] ?? []).map((line) => line.split(';')[0]).join('; ');
