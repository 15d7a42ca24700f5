import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: ['{core,contract,store,server,devices,ui,demo}/**/*.test.{ts,tsx}', 'tests/checks/**/*.test.ts'],
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
});
