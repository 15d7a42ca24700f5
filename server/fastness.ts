import type { z } from 'zod';
import type { FastnessInput, fastnessWithdraw } from '@/contract/fastness';
import type { FastnessView } from '@/contract/views';
import { type FastnessTest, fastnessText, gradesOf, nextLookMs } from '@/core/fastness/fastness';
import { isWithdrawn } from '@/core/swatch/look';
import { dyedWith, looksByLot } from '@/core/swatch/swatch';
import { listFastness, loadFastness } from '@/store/fastness';
import { looksOfLots } from '@/store/looks';
import { loadLot, loadLots } from '@/store/lots';
import type { App } from './app';
import { commitNew } from './commitNew';
import { signature } from './doors/by';
import { passportsOf } from './lots';
import { notFound } from './problem';
import { standing } from './standing';

export function addFastness(app: App, input: FastnessInput): Promise<FastnessTest> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = await loadFastness(store.db, input.id);
    if (had) return had;
    if (!(await loadLot(store.db, input.lotId))) throw notFound('lot', input.lotId);
    const row: FastnessTest = { ...input, createdAtMs: nowMs(), ...signature(app), revision: 1, withdrawn: null };
    await commitNew(app, [{ table: 'fastness_test', row }]);
    live.publish({ kind: 'changed', what: 'fastness', id: row.id });
    return row;
  });
}

export function withdrawFastness(app: App, id: string, { reason, revision }: z.infer<typeof fastnessWithdraw>): Promise<FastnessTest> {
  const { store, nowMs, live } = app;
  return store.exclusive(async () => {
    const had = standing(await loadFastness(store.db, id), id, revision, 'test', ({ withdrawn }) => withdrawn !== null);
    const row: FastnessTest = { ...had, revision: revision + 1, withdrawn: { atMs: nowMs(), ...signature(app), reason } };
    await store.commit([{ table: 'fastness_test', row }]);
    live.publish({ kind: 'changed', what: 'fastness', id });
    return row;
  });
}

/** Tests of one lot or of all, with their grades so far: a fixed number of queries. */
export async function fastnessViews({ store }: App, lotId: string | undefined): Promise<FastnessView[]> {
  const tests = await listFastness(store.db, lotId ?? null);
  if (tests.length === 0) return [];
  const lotIds = [...new Set(tests.map((test) => test.lotId))];
  const lots = await loadLots(store.db, lotIds);
  const names = new Map(lots.map((lot) => [lot.id, lot.name]));
  const passports = await passportsOf(store.db, lots);
  const looks = looksByLot((await looksOfLots(store.db, lotIds)).filter((look) => !isWithdrawn(look)));
  return tests.map((test) => {
    const grades = gradesOf(test, looks.get(test.lotId) ?? []);
    const passport = passports.get(test.lotId);
    return {
      test,
      lot: names.get(test.lotId) ?? '',
      dyes: passport ? dyedWith({ passport }) : [],
      grades,
      nextAtMs: nextLookMs(test, grades),
      says: fastnessText(test, grades),
    };
  });
}
