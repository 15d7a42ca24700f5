// Built servers with fresh demo data in folders of their own, for the browser tests, all at once; when the last of them is up,
// the first port answers: node bin/testServer.mjs READY_PORT PORT …
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { say, startServer, waitUntilUp } from './lib.mjs';

const [readyPort, ...ports] = process.argv.slice(2).map(Number);
// A home whose clocks change, whatever machine the tests run on; another zone shows the tests at another hour of the day.
process.env.TZ = process.env.ZONE ?? 'Europe/Berlin';
const servers = ports.map((port) => {
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-e2e-'));
  const child = startServer({ port, data, demo: true });
  child.on('exit', () => rmSync(data, { recursive: true, force: true }));
  return { port, child };
});
function killAll(signal) {
  for (const { child } of servers) child.kill(signal);
}
let running = servers.length;
for (const { child } of servers)
  child.on('exit', (code) => {
    running--;
    if (code !== 0 || running === 0) process.exit(code ?? 1);
  });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => killAll(signal));

const up = await Promise.all(servers.map(({ port, child }) => waitUntilUp(port, child, 120_000)));
if (up.some((health) => !health)) {
  say('A test server did not come up.');
  killAll('SIGKILL');
} else createServer((_, response) => response.end('up')).listen(readyPort, '127.0.0.1');
