import { request as rawRequest } from 'node:http';
import { networkInterfaces } from 'node:os';
import { expect, test } from '@playwright/test';

const PORT = 4177 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);

/** A request as anybody could send it: a browser would not let a page set these headers. */
function raw(path: string, method: string, headers: Record<string, string>, host = '127.0.0.1'): Promise<{ status: number; body: string }> {
  return new Promise((resolve, reject) => {
    const sent = rawRequest({ host, port: PORT, path, method, headers, timeout: 3000 }, (response) => {
      let body = '';
      response.on('data', (chunk: Buffer) => {
        body += chunk.toString();
      });
      response.on('end', () => resolve({ status: response.statusCode ?? 0, body }));
    });
    sent.on('error', reject);
    sent.on('timeout', () => sent.destroy(new Error('timeout')));
    sent.end();
  });
}

test('a foreign Host is refused, pages and doors alike', async () => {
  for (const path of ['/', '/api/v1/lots', '/api/v1/live']) {
    const answer = await raw(path, 'GET', { host: 'evil.example' });
    expect(answer.status).toBe(421);
    expect(JSON.parse(answer.body)).toMatchObject({ status: 421, title: 'Wrong door' });
  }
});

test('a foreign Origin is refused, whatever it wants', async () => {
  for (const method of ['GET', 'POST', 'PUT']) {
    expect((await raw('/api/v1/lots', method, { host: `127.0.0.1:${PORT}`, origin: 'http://evil.example' })).status).toBe(403);
  }
  expect((await raw('/api/v1/lots', 'GET', { host: `127.0.0.1:${PORT}`, origin: 'null' })).status).toBe(403);
  expect((await raw('/api/v1/lots', 'GET', { host: `localhost:${PORT}`, origin: `http://localhost:${PORT}` })).status).toBe(200);
});

test('only the loopback address is bound', async () => {
  const others = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((address) => !address.internal && address.family === 'IPv4');
  for (const { address } of others)
    await expect(raw('/api/v1/health', 'GET', { host: `127.0.0.1:${PORT}` }, address)).rejects.toThrow(/ECONNREFUSED|timeout|EHOSTUNREACH/);
});

test('the OpenAPI document is served', async ({ request }) => {
  const document = await (await request.get('/api/v1/openapi.json')).json();
  expect(document.openapi).toBe('3.1.0');
  expect(Object.keys(document.paths)).toContain('/runs/{runId}/events');
});
