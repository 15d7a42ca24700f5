// Shared by the scripts: plain Node, no dependencies, so that it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const TEMPLATE = path.join(ROOT, '.cache', 'pg-template');
const NPM = process.platform === 'win32' ? 'npm.cmd' : 'npm';

export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Runs a command to its end; exits with its code when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

const hashOf = (files) => {
  const hash = createHash('sha256');
  for (const file of files) hash.update(path.relative(ROOT, file)).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
};
const readStamp = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '');
function writeStamp(file, text) {
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, text);
}

/**
 * `npm install` with the committed lock, not `npm ci`: a lock made on one kind of machine leaves out the optional
 * binaries of the others, and `npm ci` refuses such a lock everywhere else.
 */
export function ensureInstalled() {
  const stamp = path.join(ROOT, 'node_modules', '.hyndle-installed');
  const want = `${process.version} ${process.platform} ${process.arch} ${hashOf([path.join(ROOT, 'package.json'), path.join(ROOT, 'package-lock.json')])}`;
  if (readStamp(stamp) === want) return;
  say('Installing packages …');
  run(NPM, ['install', '--no-audit', '--no-fund', '--loglevel=error'], { shell: process.platform === 'win32' });
  writeStamp(stamp, want);
}

const SOURCES = ['app', 'contract', 'core', 'demo', 'devices', 'public', 'server', 'store', 'ui', 'workers'];
const SOURCE_FILES = ['instrumentation.ts', 'next.config.ts', 'package-lock.json', 'tsconfig.json'];

function sources() {
  const files = SOURCE_FILES.map((name) => path.join(ROOT, name)).filter((file) => existsSync(file));
  for (const folder of SOURCES) {
    const full = path.join(ROOT, folder);
    if (!existsSync(full)) continue;
    for (const entry of readdirSync(full, { recursive: true, withFileTypes: true })) {
      if (entry.isFile() && !/\.(test|fixture)\.tsx?$/.test(entry.name)) files.push(path.join(entry.parentPath, entry.name));
    }
  }
  return files.sort((a, b) => (a < b ? -1 : 1));
}

export const nextBin = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');

export function ensureBuilt() {
  const stamp = path.join(ROOT, '.next', 'hyndle-built');
  const want = hashOf(sources());
  if (readStamp(stamp) === want) return;
  say('Building …');
  run(process.execPath, [nextBin, 'build'], { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });
  writeStamp(stamp, want);
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** Ports that browsers refuse to open at all (the fetch standard's list of bad ports, those above 1024). */
export const REFUSED_BY_BROWSERS = [1719, 1720, 1723, 2049, 3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669, 6679, 6697, 10080];

/** The port asked for, or the next free one after it that a browser opens. */
export async function freePort(wanted) {
  for (let port = wanted; port < wanted + 100; port++) if (!REFUSED_BY_BROWSERS.includes(port) && (await isFree(port))) return port;
  throw new Error(`No free port from ${wanted} to ${wanted + 99}.`);
}

/** Starts the built server. It listens on the home network too when `lan` says so, or when somebody said so in Home. */
export function startServer({ port, data, demo, lan = false, inherit = true }) {
  return spawn(process.execPath, [path.join(ROOT, 'bin', 'server.mjs'), String(port)], {
    cwd: ROOT,
    stdio: inherit ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'],
    env: {
      ...process.env,
      NEXT_TELEMETRY_DISABLED: '1',
      // Our own handler closes the database first; the framework's would race it and wait for open streams for ever.
      NEXT_MANUAL_SIG_HANDLE: 'true',
      HYNDLE_DATA: data,
      HYNDLE_DEMO: demo ? '1' : '',
      HYNDLE_LAN: lan ? '1' : '',
      HYNDLE_TEMPLATE: TEMPLATE,
      HYNDLE_WATCH_PARENT: '1',
      PORT: String(port),
    },
  });
}

/** Resolves with the answer of /health once the server is up; null when it died or took too long. */
export async function waitUntilUp(port, child, timeoutMs = 60_000) {
  const until = Date.now() + timeoutMs;
  while (Date.now() < until && child.exitCode === null && child.signalCode === null) {
    try {
      const response = await fetch(`http://127.0.0.1:${port}/api/v1/health`, { signal: AbortSignal.timeout(10_000) });
      if (response.ok) return await response.json();
    } catch {
      // not listening yet
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return null;
}
