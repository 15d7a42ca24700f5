// Everything that must hold: npm run check. Installs what the tests need, Debian's Chromium included.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT, run, say } from './lib.mjs';

const tool = (name) => path.join(ROOT, 'node_modules', '.bin', name);
const results = path.join(ROOT, 'test-results');

/** The system's Chromium; on Debian it is installed when missing. */
function ensureChromium() {
  const found = ['chromium', 'chromium-browser', 'google-chrome']
    .map((name) => spawnSync('sh', ['-c', `command -v ${name}`], { encoding: 'utf8' }).stdout.trim())
    .find(Boolean);
  if (found) return found;
  say('Installing Chromium …');
  run('sh', ['-c', 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium > /dev/null']);
  return ensureChromium();
}

let passed = 0;
let failed = 0;
const troubles = [];

/** One step by its name; a failing one is counted and the others still run, so that one look shows all that is wrong. */
function step(name, command, args, env = {}) {
  say(`\n— ${name}`);
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status !== 0) troubles.push(name);
  return done.status === 0;
}

ensureInstalled();
mkdirSync(results, { recursive: true });

step('format, lint, import boundaries', tool('biome'), ['check', '--error-on-warnings', '.']);
step('route types', tool('next'), ['typegen']);
step('types', tool('tsc'), ['--noEmit', '-p', '.']);
step('unused code', tool('knip'), []);

const unitFile = path.join(results, 'unit.json');
step('unit tests', tool('vitest'), ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitFile}`]);
if (existsSync(unitFile)) {
  const unit = JSON.parse(readFileSync(unitFile, 'utf8'));
  passed += unit.numPassedTests;
  failed += unit.numFailedTests;
}

say('\n— production build');
ensureBuilt();

const browserFile = path.join(results, 'e2e.json');
step('browser tests', tool('playwright'), ['test'], { CHROMIUM: ensureChromium() });
if (existsSync(browserFile)) {
  const { stats } = JSON.parse(readFileSync(browserFile, 'utf8'));
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
}

if (troubles.length > 0) say(`\nNot right: ${troubles.join(', ')}`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(troubles.length > 0 || failed > 0 || passed === 0 ? 1 : 0);
