import { defineConfig } from '@playwright/test';

const PORT = Number(process.env.E2E_PORT ?? 4177);

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 120_000,
  expect: { timeout: 10_000 },
  workers: 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: process.env.ZONE ?? 'Europe/Berlin',
    // Whoever has been here before: the tour of the first visit has a test of its own.
    storageState: { cookies: [], origins: [{ origin: `http://127.0.0.1:${PORT}`, localStorage: [{ name: 'hyndle.tour', value: 'closed' }] }] },
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] },
  },
  webServer: {
    command: `node bin/testServer.mjs ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/v1/health`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    timeout: 60_000,
    reuseExistingServer: false,
  },
});
