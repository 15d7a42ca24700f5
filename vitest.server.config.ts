import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** The use cases once more, kept on a PostgreSQL server instead of in a folder, and what only a server can do. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: ['server/**/*.test.ts', 'store/server/**/*.test.ts'],
    globalSetup: 'store/server/postgres.setup.ts',
    // Both cores of a small machine: left alone, one of two stays idle.
    maxWorkers: 2,
    // Files of one worker share what they import: reading it anew for each took a third of the time. No test leaves anything behind in a module.
    isolate: false,
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
