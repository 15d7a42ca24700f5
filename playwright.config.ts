import { defineConfig } from '@playwright/test';

// Three tests at once, since a browser mostly waits; each with a server and a folder of its own, so that no test sees what another does.
const READY_PORT = 4176;
const FIRST_PORT = 4177;
const WORKERS = 3;
const port = FIRST_PORT + Number(process.env.TEST_PARALLEL_INDEX ?? 0);

/** The demo's running session is on the heat from noon on; earlier it has only begun, and at night it rests. The tests of the stove want it hot, whatever hour the machine has. */
const ZONES = ['Europe/Berlin', 'America/New_York', 'Pacific/Honolulu', 'Asia/Tokyo'];
const hourIn = (timeZone: string): number => Number(new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hour12: false, timeZone }).format(new Date()));
// Once, and handed to servers and workers: the hour may turn while they run.
process.env.ZONE ??= ZONES.find((zone) => hourIn(zone) >= 12 && hourIn(zone) < 20) ?? 'Europe/Berlin';

const baseURL = `http://127.0.0.1:${port}`;

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 180_000,
  expect: { timeout: 15_000 },
  workers: WORKERS,
  // In the whole check one that fails is tried once more, and told of all the same: a busy machine elsewhere is not held against a change.
  retries: Number(process.env.RETRIES ?? 0),
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    // A tap on what is still sliding into its place is the test's mistake, not the page's.
    contextOptions: { reducedMotion: 'reduce' },
    timezoneId: process.env.ZONE,
    // Its requests pass by what tests do to those of a page; it has tests of its own.
    serviceWorkers: 'block',
    // Whoever has been here before: the tour of the first visit has a test of its own.
    storageState: { cookies: [], origins: [{ origin: baseURL, localStorage: [{ name: 'hyndle.tour', value: 'closed' }] }] },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        // The machine as a phone finds it: by a name, over plain http, which a browser trusts with less than 127.0.0.1.
        '--host-resolver-rules=MAP hyndle.local 127.0.0.5',
      ],
    },
  },
  // Playwright starts several one after the other: one command starts all at once.
  webServer: {
    command: `node bin/testServer.mjs ${READY_PORT} ${Array.from({ length: WORKERS }, (_, i) => FIRST_PORT + i).join(' ')}`,
    url: `http://127.0.0.1:${READY_PORT}`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    timeout: 120_000,
    reuseExistingServer: false,
  },
});
