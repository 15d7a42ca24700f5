// npm run device: see devices/cli.ts
import path from 'node:path';
import { ensureInstalled, run } from './lib.mjs';

ensureInstalled();
run(process.execPath, ['--import', 'tsx', path.join('devices', 'cli.ts'), ...process.argv.slice(2)]);
