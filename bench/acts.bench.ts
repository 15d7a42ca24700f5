import { closeSync, fdatasyncSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from 'vitest';
import { planned, SATURDAY_9, step, wool } from '@/core/plan/plan.fixture';
import type { RunEvent } from '@/core/run/events';
import { foldRun } from '@/core/run/fold';
import { runningApp } from '@/server/testApp.fixture';
import { FolderStore } from '@/store/folderStore';
import { quantile, report, sorted, timed } from './report';

const ACTS = 1200;
/** The first ones run before everything is compiled. */
const WARM_UP = 100;

test('an act is stored and acknowledged', async () => {
  // Bare: one forced line in a file, one insert in the same kind of database, in turn with the acts.
  const folder = mkdtempSync(path.join(tmpdir(), 'hyndle-bench-'));
  const file = openSync(path.join(folder, 'bare.ndjson'), 'a');
  const bare = await FolderStore.open({
    folder: path.join(folder, 'bare'),
    migrations: path.resolve('store/migrations'),
    template: path.resolve('.cache/pg-template'),
    nowMs: () => 0,
    boot: 'test',
  });
  const t = await runningApp(SATURDAY_9);
  const bareMs: number[] = [];
  const actMs: number[] = [];
  for (let i = 0; i < ACTS; i++) {
    const body = JSON.stringify({ id: `b${i}`, type: 'stirred', stepId: 'c1-scour', atMs: SATURDAY_9, recordedAtMs: SATURDAY_9 });
    bareMs.push(
      await timed(async () => {
        writeSync(file, `${body}\n`);
        fdatasyncSync(file);
        await bare.db.query('insert into run_event (id, run_id, at_ms, recorded_at_ms, body) values ($1, $2, $3, $4, $5)', [
          `b${i}`,
          'r',
          SATURDAY_9,
          SATURDAY_9,
          body,
        ]);
      }),
    );
    actMs.push(await timed(() => t.send('POST', '/runs/r/events', { id: `a${i}`, type: 'stirred', stepId: 'c1-scour' })));
  }
  const [actP95, bareP95] = [quantile(sorted(actMs.slice(WARM_UP)), 0.95), quantile(sorted(bareMs.slice(WARM_UP)), 0.95)];
  report(
    'acknowledge an act, p95',
    actP95 / bareP95,
    '× a bare forced append and a bare insert',
    3,
    `${actP95.toFixed(2)} ms against ${bareP95.toFixed(2)} ms; medians ${quantile(sorted(actMs), 0.5).toFixed(2)} against ${quantile(sorted(bareMs), 0.5).toFixed(2)} ms`,
  );
  closeSync(file);
  await bare.close();
  await t.close();
  rmSync(folder, { recursive: true, force: true });
  expect(actMs).toHaveLength(ACTS);
});

test('a log of 10,000 events is folded', async () => {
  const plan = planned([wool('a', 100)]);
  const dye = step(plan, 'dye');
  const events: RunEvent[] = Array.from({ length: 10_000 }, (_, i) => {
    const base = { id: `e${i}`, atMs: SATURDAY_9 + i * 1000, recordedAtMs: SATURDAY_9 + i * 1000, stepId: dye.id };
    if (i === 0) return { ...base, type: 'phaseEntered', phaseIndex: 0 };
    if (i % 97 === 0) return { ...base, type: 'amended', targetId: `e${i - 1}`, change: { kind: 'withdrawn', reason: 'x' } };
    return i % 2 === 0 ? { ...base, type: 'stirred' } : { ...base, type: 'reading', quantity: 'bathC', value: 75 };
  });
  const text = JSON.stringify(events);
  const foldMs: number[] = [];
  const parseMs: number[] = [];
  for (let i = 0; i < 15; i++) {
    parseMs.push(await timed(async () => void JSON.parse(text)));
    foldMs.push(await timed(async () => void foldRun(plan.steps, events)));
  }
  const [fold, parse] = [quantile(sorted(foldMs), 0.5), quantile(sorted(parseMs), 0.5)];
  // As a ratio to the runtime's own reader of the same log: a slow machine or test runner sways milliseconds.
  report(
    'fold 10,000 events, median',
    fold / parse,
    '× reading the same log as JSON',
    2,
    `${fold.toFixed(1)} ms against ${parse.toFixed(1)} ms, inside the test runner`,
  );
  expect(foldRun(plan.steps, events).steps[dye.id]?.stirredAtMs.length).toBeGreaterThan(4000);
});
