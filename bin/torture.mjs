// The fault campaign: npm run torture. The store alone, then the whole server, killed fifty times. Seeds are printed; TORTURE_SEED repeats one.
import path from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT, run } from './lib.mjs';

ensureInstalled();
run(path.join(ROOT, 'node_modules', '.bin', 'vitest'), ['run', '--config', 'vitest.torture.config.ts'], { env: { ...process.env, TORTURE: '1' } });

ensureBuilt();
run(path.join(ROOT, 'node_modules', '.bin', 'playwright'), ['test', 'crash'], { env: { ...process.env, KILLS: '50' } });
