// Started by start.bench.ts in a process of its own: one start of the store, its time and its memory.
import path from 'node:path';
import { FolderStore } from '@/store/folderStore';

const from = performance.now();
const store = await FolderStore.open({
  folder: process.argv[2] ?? '',
  migrations: path.resolve('store/migrations'),
  template: path.resolve('.cache/pg-template'),
  nowMs: Date.now,
  boot: 'bench',
});
const ms = performance.now() - from;
process.stdout.write(`${JSON.stringify({ ms, mb: process.memoryUsage().rss / 1024 / 1024 })}\n`);
await store.close();
process.exit(0);
