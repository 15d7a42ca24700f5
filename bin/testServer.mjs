// The built server with fresh demo data in a folder of its own, for the browser tests: node bin/testServer.mjs PORT
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { startServer } from './lib.mjs';

const data = mkdtempSync(path.join(tmpdir(), 'hyndle-e2e-'));
// A home whose clocks change, whatever machine the tests run on; another zone shows the tests at another hour of the day.
process.env.TZ = process.env.ZONE ?? 'Europe/Berlin';
const child = startServer({ port: Number(process.argv[2]), data, demo: true });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code) => {
  rmSync(data, { recursive: true, force: true });
  process.exit(code ?? 1);
});
