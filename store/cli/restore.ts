// npm run restore -- FILE [--yes | --exact]: shows what a saved file would change; with --yes takes it in, after a copy of how it was
// before; with --exact everything is as the file says, and what was there is moved aside.
import path from 'node:path';
import { type Merged, mergedSentences, staysText } from '@/core/archive/merged';
import { copiesIn } from '../archive/copies';
import { merge, previewMerge } from '../archive/merge';
import { openArchive } from '../archive/read';
import { rowsInDb, writeArchive } from '../archive/write';
import { main, openOurs, say } from './folder';

function tell(merged: Merged): void {
  for (const sentence of mergedSentences(merged)) say(`  ${sentence}`);
  if (merged.stays.length > 0) say(`  Different in the file, and kept as here: ${staysText(merged)}`);
}

await main(async () => {
  const [file, how] = process.argv.slice(2);
  if (!file) throw new Error('Say which file: npm run restore -- FILE');
  const archive = await openArchive(path.resolve(file));
  const store = await openOurs();
  try {
    if (how === '--exact') {
      const aside = await store.putBack(archive);
      return say(`Everything is as it was ${new Date(archive.madeAtMs).toISOString()}. What was here is kept in ${aside}`);
    }
    say(`Saved ${new Date(archive.madeAtMs).toISOString()}. Taking it in changes this:`);
    tell(await previewMerge(store, archive));
    if (how !== '--yes') return say('Nothing was changed yet. Say --yes behind the file to take it in, or --exact to put everything back as it says.');
    const before = path.join(copiesIn(store.folder), `hyndle-${new Date().toISOString().slice(0, 10)}-before-${Date.now()}.zip`);
    if (store.lastSeq > 0) {
      await writeArchive(before, rowsInDb(store.db), store, Date.now());
      say(`How it was before is saved in ${before}`);
    }
    await merge(store, archive);
    say('Taken in.');
  } finally {
    archive.close();
    await store.close();
  }
});
