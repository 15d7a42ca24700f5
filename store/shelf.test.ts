import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import type { Lot } from '@/core/fibre/lot';
import type { Liquor } from '@/core/liquor/liquor';
import { LIBRARY } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import { keptLiquor, wool } from '@/core/plan/plan.fixture';
import type { StockItem } from '@/core/shelf/stock';
import { FolderStore } from './folderStore';
import { inside } from './inside.fixture';
import { listLots, loadLots } from './lots';
import { loadVersions, methodShelf } from './methods';
import { liquors, stock } from './shelf';
import type { RowWrite } from './tables';
import { loadTicks } from './weighing';

/** What was put on the shelf, written as a method, weighed or split is there again after a crash, each in its newest state. */

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-shelf-'));
const open = (folder: string) =>
  FolderStore.open({ folder, migrations: path.resolve('store/migrations'), template: path.resolve('.cache/pg-template'), nowMs: () => 1, boot: 'test' });
const commit = (store: FolderStore, ...writes: RowWrite[]) => store.exclusive(() => store.commit(writes));
afterAll(() => rmSync(root, { recursive: true, force: true }));

const alum = LIBRARY.find('alum-10');
if (!alum) throw new Error('no alum');
const own = (version: number): Method => ({ ...alum, id: 'mine', version, name: `Mine ${version}` });
const tin = (revision: number, more: Partial<StockItem> = {}): StockItem => ({
  id: 'tin',
  substance: 'alum',
  form: null,
  label: 'crystals',
  amount: { state: 'measured', value: 100 * revision },
  unit: 'g',
  countedAtMs: revision,
  place: 'top ½ shelf',
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: 0.9,
  note: '',
  revision,
  retired: false,
  ...more,
});
const jug: Liquor = { ...keptLiquor, id: 'jug', volumeMl: { state: 'unknown' }, from: { runId: 'r', stepId: 'c5-dye' } };
const cone: Lot = wool('cone', 90);
const part = (id: string, g: number): Lot => ({ ...wool(id, g), from: ['cone'] });
const split: Lot = { ...cone, revision: 2, ended: { how: 'split', into: ['p1', 'p2'], atMs: 7 } };

async function fill(store: FolderStore): Promise<void> {
  await commit(store, { table: 'stock', row: tin(1) });
  await commit(store, { table: 'stock', row: tin(2) });
  await commit(store, { table: 'liquor', row: jug });
  await commit(store, { table: 'liquor', row: { ...jug, revision: 2, retired: true } });
  await commit(store, { table: 'method', row: own(1) }, { table: 'method_shelf', row: { id: 'mine', revision: 1, retired: false } });
  await commit(store, { table: 'method', row: own(2) });
  await commit(store, {
    table: 'weigh_tick',
    row: { id: 't1', sessionId: 's', key: 'c2-mordant/alum', amount: { state: 'measured', value: 15.1 }, unit: 'g', atMs: 3 },
  });
  await commit(store, { table: 'lot', row: cone });
  await commit(store, { table: 'lot', row: split }, { table: 'lot', row: part('p1', 40) }, { table: 'lot', row: part('p2', 50) });
}

async function expectAllThere(store: FolderStore): Promise<void> {
  expect(await stock.list(store.db)).toEqual([tin(2)]);
  expect(await liquors.list(store.db)).toEqual([]);
  expect(await liquors.load(store.db, 'jug')).toMatchObject({ revision: 2, retired: true });
  expect((await loadVersions(store.db, 'mine')).map((method) => method.name)).toEqual(['Mine 1', 'Mine 2']);
  expect(await methodShelf.list(store.db)).toHaveLength(1);
  expect((await loadTicks(store.db, 's')).map((tick) => tick.amount)).toEqual([{ state: 'measured', value: 15.1 }]);
  expect((await listLots(store.db)).map((lot) => lot.id)).toEqual(['p1', 'p2']);
  expect(await loadLots(store.db, ['cone'])).toEqual([split]);
}

describe('the same rows come back', () => {
  let n = 0;
  const fresh = () => path.join(root, `data${++n}`);
  test('after a clean stop', async () => {
    const at = fresh();
    const first = await open(at);
    await fill(first);
    await first.close();
    const second = await open(at);
    await expectAllThere(second);
    expect(second.notices).toEqual([]);
    await second.close();
  });
  test('after a crash', async () => {
    const at = fresh();
    const first = await open(at);
    await fill(first);
    await inside(first).db.close();
    rmSync(path.join(at, 'app.lock'));
    const second = await open(at);
    await expectAllThere(second);
    await second.close();
  });
  test('when the database is gone and only the journal is left, and it is said', async () => {
    const at = fresh();
    const first = await open(at);
    await fill(first);
    await inside(first).db.close();
    rmSync(path.join(at, 'app.lock'));
    rmSync(path.join(at, 'pg'), { recursive: true });
    const second = await open(at);
    await expectAllThere(second);
    expect(second.notices.join(' ')).toMatch(/journal/);
    await second.close();
  });
  test('when the database cannot be opened', async () => {
    const at = fresh();
    const first = await open(at);
    await fill(first);
    await inside(first).db.close();
    rmSync(path.join(at, 'app.lock'));
    writeFileSync(path.join(at, 'pg', 'PG_VERSION'), 'nonsense');
    const second = await open(at);
    await expectAllThere(second);
    expect(second.notices.join(' ')).not.toBe('');
    await second.close();
  });
});

test('a split is all or nothing: with the last part lost, the journal brings it back', async () => {
  const at = path.join(root, 'half');
  const first = await open(at);
  await fill(first);
  await first.db.query("delete from lot where id = 'p2'");
  await inside(first).db.close();
  rmSync(path.join(at, 'app.lock'));
  const second = await open(at);
  await expectAllThere(second);
  await second.close();
});

test('a version or a tick is written once: the same id with other words changes nothing', async () => {
  const store = await open(path.join(root, 'once'));
  await fill(store);
  await commit(store, { table: 'method', row: { ...own(1), name: 'Rewritten' } });
  const again = await commit(store, { table: 'weigh_tick', row: { id: 't1', sessionId: 's', key: 'c2-mordant/alum', amount: null, unit: 'g', atMs: 9 } });
  expect(again).toBe(false);
  await expectAllThere(store);
  await store.close();
});
