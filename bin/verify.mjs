// npm run verify: see store/cli/verify.ts
import path from 'node:path';
import { ensureInstalled, run, TEMPLATE } from './lib.mjs';

ensureInstalled();
run(process.execPath, ['--import', 'tsx', path.join('store', 'cli', 'verify.ts'), ...process.argv.slice(2)], {
  env: { ...process.env, HYNDLE_TEMPLATE: TEMPLATE },
});
