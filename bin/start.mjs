// One command: installs, builds when stale, starts on 127.0.0.1 and says where.
//   node bin/start.mjs [--demo] [--fresh] [--lan]
import { rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureInstalled, freePort, ROOT, say, startServer, waitUntilUp } from './lib.mjs';

const demo = process.argv.includes('--demo');
const fresh = process.argv.includes('--fresh');
const lan = process.argv.includes('--lan');
const data = path.resolve(process.env.HYNDLE_DATA ?? path.join(ROOT, demo ? '.demo-data' : 'data'));

function databaseServer(address) {
  if (!address) return null;
  if (URL.canParse(address) && /^postgres(ql)?:$/.test(new URL(address).protocol)) return new URL(address);
  say('DATABASE_URL is no address of a PostgreSQL server: write postgres://user@host/name.');
  process.exit(1);
}

if (fresh && !demo) {
  say('--fresh throws data away and is for the demo only: npm run demo -- --fresh');
  process.exit(1);
}
const server = databaseServer(process.env.DATABASE_URL);
if (fresh && server) {
  say('--fresh throws a folder away, and the data is on a database server (DATABASE_URL). Name a new, empty database there instead.');
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

/** A server that has not answered for a minute never will: the embedded database stops so when its disk fills within a moment. */
const WATCH_MS = 10_000;
const MOST_MISSED = 6;
const MOST_RESTARTS = 3;
let restarts = 0;
let hung = false;
let child = launch();
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));

function launch() {
  const started = startServer({ port, data, demo, lan });
  started.on('exit', (code) => {
    if (!hung || restarts === MOST_RESTARTS) process.exit(code ?? 1);
    hung = false;
    restarts++;
    child = launch();
  });
  return started;
}

function watch() {
  let missed = 0;
  setInterval(async () => {
    const answers = await fetch(`http://127.0.0.1:${port}/api/v1/time`, { signal: AbortSignal.timeout(WATCH_MS - 1000) }).then(
      (response) => response.ok,
      () => false,
    );
    missed = answers ? 0 : missed + 1;
    if (missed < MOST_MISSED) return;
    missed = 0;
    hung = true;
    say('Hyndle did not answer for a minute and is started anew. What was logged is safe.');
    child.kill('SIGKILL');
  }, WATCH_MS).unref();
}

/** Where devices of the home find it: only when the home network is listened on. */
async function sayHome() {
  const answer = await fetch(`http://127.0.0.1:${port}/api/v1/doors`).catch(() => null);
  if (!answer?.ok) return;
  const { isOpen, listening, trouble } = await answer.json();
  if (!isOpen) return;
  if (trouble) say(trouble);
  const { default: qr } = await import('qrcode');
  const [plain, ...others] = listening.filter((one) => !one.isSecure);
  if (!plain) return;
  say(`\nFor devices at home: ${plain.url}/join${others.map(({ url }) => `\n  or, where that is not found: ${url}/join`).join('')}`);
  say(await qr.toString(`${plain.url}/join`, { type: 'terminal', small: true }));
  for (const { url } of listening.filter((one) => one.isSecure)) say(`With a certificate of your own: ${url}`);
  say('Let a device in at Shelf → Home: it shows six digits.');
}

const health = await waitUntilUp(port, child);
if (!health) {
  child.kill('SIGKILL');
  say('Hyndle did not start; see above.');
  process.exit(1);
}
watch();
for (const notice of health.notices) say(`At start: ${notice}`);
// Never the user's password.
const where = server
  ? `on the database server ${server.host}${server.pathname}; copies in ${data}`
  : `${data}${demo ? '  (demo; “npm run demo -- --fresh” begins it anew, with a session running now)' : ''}`;
say(`\nHyndle is open at http://127.0.0.1:${port}\nData: ${where}`);
await sayHome();
say('Stop with Ctrl+C.\n');
