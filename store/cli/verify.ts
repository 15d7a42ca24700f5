// npm run verify: reads and compares everything that is stored, and says what it found.
import { freeBytes } from '../trouble';
import { isOnServer, main, openOurs, say } from './folder';

const TELL_EVERY = 200;

await main(async () => {
  const store = await openOurs();
  say(`Reading everything ${isOnServer ? 'on the database server' : `in ${store.folder}`} …`);
  let pieces = 0;
  await store.check(async () => {
    if (++pieces % TELL_EVERY === 0) say(`  ${pieces} pieces read`);
  });
  say(`${store.lastSeq} acts, ${store.readings.probes().length} probes, ${Math.round(freeBytes(store.folder) / 1024 / 1024)} MB free.`);
  for (const notice of store.notices) say(notice);
  const sound = isOnServer ? 'Every row is as Hyndle wrote it.' : 'Both copies of every row agree, and every reading could be read.';
  say(store.notices.length === 0 ? sound : 'What was found stands above.');
  await store.close();
});
