// One command: installs, builds when stale, starts on 127.0.0.1 and says where.
//   node bin/start.mjs [--demo] [--fresh]
import { rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureInstalled, freePort, ROOT, say, startServer, waitUntilUp } from './lib.mjs';

const demo = process.argv.includes('--demo');
const fresh = process.argv.includes('--fresh');
const data = path.resolve(process.env.HYNDLE_DATA ?? path.join(ROOT, demo ? '.demo-data' : 'data'));

if (fresh && !demo) {
  say('--fresh throws data away and is for the demo only: npm run demo -- --fresh');
  process.exit(1);
}
ensureInstalled();
ensureBuilt();
if (fresh) rmSync(data, { recursive: true, force: true });

const wanted = Number(process.env.PORT ?? 4123);
if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65_535) {
  say(`PORT is “${process.env.PORT}”; it must be a number from 1 to 65535.`);
  process.exit(1);
}
const port = await freePort(wanted);
if (port !== wanted) say(`Port ${wanted} is taken, or no browser opens it; using ${port}.`);

const child = startServer({ port, data, demo });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
child.on('exit', (code) => process.exit(code ?? 1));

const health = await waitUntilUp(port, child);
if (!health) {
  child.kill('SIGKILL');
  say('Hyndle did not start; see above.');
  process.exit(1);
}
for (const notice of health.notices) say(`At start: ${notice}`);
say(
  `\nHyndle is open at http://127.0.0.1:${port}\nData: ${data}${demo ? '  (demo; “npm run demo -- --fresh” begins it anew, with a session running now)' : ''}\nStop with Ctrl+C.\n`,
);
