import { parse } from 'csv-parse/sync';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { meaningOf } from '@/contract/address';
import { SATURDAY_9 } from '@/core/plan/plan.fixture';
import { isSheet, sheetAt } from './sheets';
import { runningApp, type TestApp } from './testApp.fixture';

let t: TestApp;
beforeAll(async () => {
  t = await runningApp(SATURDAY_9);
  t.clock.nowMs += 86_400_000;
  const at = (afterS: number, bathC: number) => ({ atMs: SATURDAY_9 + afterS * 1000, bathC });
  await t.ask('postReadings', '/probes/probe1/readings', { readings: [at(0, 40), at(1, 41), at(90_000 - 10_000, 42)] });
});
afterAll(() => t.close());

function tableAt(path: string, search: string): Promise<Response> {
  const meaning = meaningOf('GET', ['api', 'v1', ...path.split('/').slice(1)]);
  if (meaning.kind !== 'file' || !isSheet(meaning.id)) throw new Error(`${path} is no table`);
  return sheetAt(t.app, meaning.id, meaning.params, new URLSearchParams(search));
}
const rows = async (path: string, search = '') => {
  const response = await tableAt(path, search);
  expect(response.headers.get('content-type')).toContain('text/csv');
  return parse(await response.text(), { bom: true, columns: true, delimiter: search.includes('comma') ? ';' : ',' }) as Record<string, string>[];
};

test.each([
  ['/lots.csv', 1],
  ['/swatches.csv', 0],
  ['/shelf.csv', 0],
  ['/sessions/s/weigh-out.csv', 1],
  ['/runs/r/log.csv', 1],
])('%s', async (path, least) => {
  expect((await rows(path)).length).toBeGreaterThanOrEqual(least);
  expect(await rows(path, 'decimal=comma')).toHaveLength((await rows(path)).length);
});

test('readings of a stretch; of a run, those of its time', async () => {
  expect(await rows('/probes/probe1/readings.csv', `fromMs=${SATURDAY_9}&toMs=${SATURDAY_9 + 1000}`)).toMatchObject([
    { 'bath, °C': '40' },
    { 'bath, °C': '41' },
  ]);
  expect((await rows('/runs/r/readings.csv')).every((row) => row.vessel !== '')).toBe(true);
});

test('a probe that a vessel got after the plan was made counts, as it does in the record', async () => {
  const { plan } = await t.ask<{ plan: { steps: { vesselId: string | null }[] } }>('getRun', '/runs/r');
  const vesselId = plan.steps.find((step) => step.vesselId && step.vesselId !== 'steel12')?.vesselId as string;
  const had = (await t.ask<{ id: string; revision: number }[]>('listVessels', '/vessels')).find(({ id }) => id === vesselId);
  const { id: _id, retired: _retired, ...vessel } = had as { id: string; retired?: boolean };
  await t.ask('putVessel', `/vessels/${vesselId}`, { ...vessel, probeId: 'hung-in-later' });
  await t.ask('postReadings', '/probes/hung-in-later/readings', { readings: [{ atMs: SATURDAY_9 + 60_000, bathC: 33.5 }] });
  const view = await t.ask<{ readings: Record<string, unknown[]> }>('getRun', '/runs/r');
  expect(view.readings[vesselId]).toHaveLength(1);
  expect((await rows('/runs/r/readings.csv')).map((row) => row['bath, °C'])).toContain('33.5');
});

test.each([
  ['/runs/nobody/log.csv', '', 404],
  ['/probes/nobody/readings.csv', '', 404],
  ['/probes/probe1/readings.csv', 'fromMs=yesterday', 422],
  ['/lots.csv', 'decimal=point', 422],
])('%s?%s is refused in words', async (path, search, status) => {
  await expect(tableAt(path, search)).rejects.toMatchObject({ status });
});

test('a lot that is called like a table is still a lot', () =>
  expect(meaningOf('GET', ['api', 'v1', 'lots', 'a.csv'])).toMatchObject({ kind: 'endpoint', id: 'getLot' }));
