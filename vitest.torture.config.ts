import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** The fault campaign: npm run torture. The same files run short in the check. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: { include: ['store/**/*.torture.test.ts'], testTimeout: 3_600_000, hookTimeout: 60_000, fileParallelism: false, silent: false, reporters: ['dot'] },
});
