// Speed as ratios in one run: npm run bench
import path from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT, run } from './lib.mjs';

ensureInstalled();
ensureBuilt();
run(path.join(ROOT, 'node_modules', '.bin', 'vitest'), ['run', '--config', 'vitest.bench.config.ts']);
