// Run by the fault campaign in a process of its own, which is killed at any moment: acts without end, each told once it is acknowledged. It keeps them in the folder, or where DATABASE_URL says.
import { seededChance } from '@/core/chance';
import { loadLot } from './lots';
import { openStore } from './openStore';
import { tortureLot } from './torture.fixture';

const [folder = '', seed = '1', lots = '40'] = process.argv.slice(2);
const chance = seededChance(Number(seed));
const store = await openStore(folder);
process.stdout.write(`ready ${JSON.stringify(store.notices)}\n`);
for (;;) {
  const id = `l${Math.floor(chance() * Number(lots))}`;
  const told = await store.exclusive(async () => {
    const revision = ((await loadLot(store.db, id))?.revision ?? 0) + 1;
    process.stdout.write(`try ${id} ${revision}\n`);
    await store.commit([{ table: 'lot', row: tortureLot(id, revision) }]);
    return `ack ${id} ${revision}\n`;
  });
  process.stdout.write(told);
}
