// Everything that must hold: npm run check. Installs what the tests need, Debian's Chromium included.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureInstalled, ROOT, say } from './lib.mjs';

const tool = (name) => path.join(ROOT, 'node_modules', '.bin', name);
const results = path.join(ROOT, 'test-results');

/** The system's Chromium, without the windows nobody sees where it comes so; on Debian it is installed when missing. */
function ensureChromium() {
  const found = () =>
    ['chromium-headless-shell', 'chromium', 'chromium-browser', 'google-chrome']
      .map((name) => spawnSync('sh', ['-c', `command -v ${name}`], { encoding: 'utf8' }).stdout.trim())
      .find(Boolean);
  const install = (name) =>
    spawnSync('sh', ['-c', `apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends ${name} > /dev/null`]);
  if (!found()?.endsWith('headless-shell')) {
    say('Installing Chromium …');
    if (install('chromium-headless-shell').status !== 0 && !found()) install('chromium');
  }
  const chromium = found();
  if (!chromium) throw new Error('There is no Chromium here, and none could be installed.');
  return chromium;
}

/** Whether one of Debian's packages is there to test against; installed when missing. */
function hasPackage(name, isThere) {
  if (isThere()) return true;
  say(`Installing ${name} for the tests …`);
  const install = `apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends ${name} > /dev/null`;
  return spawnSync('sh', ['-c', install], { stdio: 'inherit' }).status === 0 && isThere();
}

/** The client's package makes the folder too. */
const isPostgresThere = () => {
  const home = '/usr/lib/postgresql';
  return existsSync(home) && readdirSync(home).some((version) => existsSync(path.join(home, version, 'bin', 'initdb')));
};
const isBrokerThere = () => ['/usr/sbin/mosquitto', '/usr/local/sbin/mosquitto'].some((file) => existsSync(file));

// Tests keep to folders and servers of their own, whatever the one who runs them works on.
delete process.env.DATABASE_URL;

const ROOM_BYTES = 6e9;

/**
 * Where tests make their folders and throw them away: in memory, where there is room. Forcing a file takes milliseconds on a
 * disk, and they force thousands. What a kill leaves behind is the same in both; what a power cut would leave is played by a
 * layer that takes down what was forced (store/disk.fixture.ts).
 */
function passingFolder() {
  const memory = '/dev/shm';
  try {
    const { bavail, bsize } = statfsSync(memory);
    if (bavail * bsize > ROOM_BYTES) return mkdtempSync(path.join(memory, 'hyndle-check-'));
  } catch {
    // No such place, or not for us.
  }
  return mkdtempSync(path.join(tmpdir(), 'hyndle-check-'));
}
const passing = passingFolder();
// The database server of the tests runs as a user of its own, which goes through it to its folder.
chmodSync(passing, 0o711);
process.env.TMPDIR = passing;
process.once('exit', () => rmSync(passing, { recursive: true, force: true, maxRetries: 5 }));
// Stopped by hand, memory is not left full of it.
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => process.exit(1));

let passed = 0;
let failed = 0;
const troubles = [];

/** One step by its name; a failing one is counted and the others still run, so that one look shows all that is wrong. */
function step(name, command, args, env = {}) {
  say(`\n— ${name}`);
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  return ended(name, done.status === 0);
}

const startedMs = Date.now();
const sinceStart = () => `${Math.round((Date.now() - startedMs) / 1000)} s since the start`;

function ended(name, isRight) {
  if (!isRight) troubles.push(name);
  say(`— ${name}: ${isRight ? 'done' : 'NOT RIGHT'}, ${sinceStart()}`);
  return isRight;
}

/** A step beside others: what it says goes to a file, and is shown as a whole once it has ended. @returns whether it went well */
function beside(name, command, args) {
  const file = path.join(results, `${name.replaceAll(/\W+/g, '-')}.log`);
  const log = openSync(file, 'w');
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', log, log], env: process.env });
  return new Promise((resolve) => {
    const end = (isRight) => {
      say(`\n— ${name}\n${readFileSync(file, 'utf8')}`);
      resolve(ended(name, isRight));
    };
    child.once('error', () => end(false));
    child.once('exit', (code) => end(code === 0));
  });
}

/** A step of unit tests, whose figures are added up. */
async function unitTests(name, file, more = []) {
  const report = path.join(results, file);
  await beside(name, tool('vitest'), ['run', ...more, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`]);
  if (!existsSync(report)) return;
  const unit = JSON.parse(readFileSync(report, 'utf8'));
  passed += unit.numPassedTests;
  failed += unit.numFailedTests;
}

const BUILD = ['-e', "import('./bin/lib.mjs').then(({ ensureBuilt }) => ensureBuilt())"];

const MOST_LINES = 240;

/** What stood on the page when a browser test failed, also one that passed when tried again: without it a failure seen once elsewhere is a riddle. */
function sayPages(suite) {
  for (const spec of suite.specs ?? [])
    for (const { path: file } of spec.tests.flatMap((test) => test.results).flatMap((result) => result.attachments ?? [])) {
      if (!file?.endsWith('error-context.md') || !existsSync(file)) continue;
      const lines = readFileSync(file, 'utf8').split('\n');
      // Behind the page stands the test itself, which is here anyway.
      const end = lines.indexOf('# Test source');
      say(`\n— the page of “${spec.title}”\n${lines.slice(0, end < 0 ? MOST_LINES : Math.min(end, MOST_LINES)).join('\n')}`);
    }
  suite.suites?.forEach(sayPages);
}

ensureInstalled();
mkdirSync(results, { recursive: true });

// Both cores are kept at work: what does not wait for anything runs beside the build, and both kinds of tests beside each other.
const hasBroker = hasPackage('mosquitto', isBrokerThere);
const hasPostgres = hasPackage('postgresql', isPostgresThere);
const chromium = ensureChromium();
const built = beside('production build', process.execPath, BUILD);
await Promise.all([beside('format, lint, import boundaries', tool('biome'), ['check', '--error-on-warnings', '.']), beside('unused code', tool('knip'), [])]);
if (!(await built)) {
  say('Nothing can be tried in a browser without a build.');
  process.exit(1);
}
if (!hasBroker) say('\n— the message broker: LEFT OUT, since mosquitto could not be installed. Nothing here says that MQTT works.');
if (!hasPostgres) say('\n— use cases on a PostgreSQL server: LEFT OUT, since no server could be installed. Nothing here says that DATABASE_URL works.');
await Promise.all([
  // Route types first, which a build makes anew: the others are checked against them. What is known of the last time is not trusted.
  beside('route types', tool('next'), ['typegen']).then(() => beside('types', tool('tsc'), ['--noEmit', '--incremental', 'false', '-p', '.'])),
  unitTests('unit tests', 'unit.json'),
  hasPostgres ? unitTests('use cases on a PostgreSQL server', 'server.json', ['--config', 'vitest.server.config.ts']) : null,
]);

const browserFile = path.join(results, 'e2e.json');
step('browser tests', tool('playwright'), ['test'], { CHROMIUM: chromium, RETRIES: '1' });
if (existsSync(browserFile)) {
  const { stats, suites } = JSON.parse(readFileSync(browserFile, 'utf8'));
  if (stats.unexpected + stats.flaky > 0) suites.forEach(sayPages);
  if (stats.flaky > 0) say(`\n${stats.flaky} passed only at the second try. That is a fault too, of the test or of the page: see above.`);
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
}

if (troubles.length > 0) say(`\nNot right: ${troubles.join(', ')}`);
say(`\nAll of it took ${Math.round((Date.now() - startedMs) / 60_000)} min.`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(troubles.length > 0 || failed > 0 || passed === 0 ? 1 : 0);
