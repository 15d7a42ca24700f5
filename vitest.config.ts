import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: ['{core,contract,store,server,devices,ui,demo}/**/*.test.{ts,tsx}', 'tests/checks/**/*.test.ts'],
    // These need a PostgreSQL server: vitest.server.config.ts.
    exclude: ['store/server/{connection,serverStore}.test.ts', 'server/several.test.ts'],
    // Both cores of a small machine: left alone, one of two stays idle.
    maxWorkers: 2,
    // Files of one worker share what they import: reading it anew for each took a third of the time. No test leaves anything behind in a module.
    isolate: false,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
