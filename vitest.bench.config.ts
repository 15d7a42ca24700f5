import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: { include: ['bench/**/*.bench.ts'], testTimeout: 120_000, hookTimeout: 60_000, fileParallelism: false, silent: false, reporters: ['dot'] },
});
