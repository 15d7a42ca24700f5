import { foldRun } from '@/core/run/fold';
import { type Decimal, type Sheet, sheetText } from '@/core/sheets/sheet';
import { logSheet, lotsSheet, readingsSheet, shelfSheet, weighOutSheet } from '@/core/sheets/sheets';
import { swatchesSheet } from '@/core/sheets/swatchesSheet';
import { trialSheet } from '@/core/sheets/trialSheet';
import { shelfOf } from '@/core/shelf/library';
import { listLots } from '@/store/lots';
import { DAY_MS } from '@/store/readings/codec';
import type { Readings } from '@/store/readings/readings';
import { knowsProbe, listVessels } from '@/store/vessels';
import type { App } from './app';
import { homeOf } from './kitchen';
import { allSwatches } from './looks';
import { invalid, notFound, Problem } from './problem';
import { probedVessels } from './runReadings';
import { runView } from './runs';
import { levels, wholeShelf } from './shelf';
import { trialView } from './trials';
import { weighList } from './weighing';

/** Everything that a spreadsheet may want, by its address below /api/v1. */
const SHEETS: readonly { readonly path: RegExp; readonly make: (app: App, id: string, search: URLSearchParams, zone: string) => Promise<Sheet> }[] = [
  { path: /^\/lots\.csv$/, make: async (app, _id, _search, zone) => lotsSheet(await listLots(app.store.db, true), zone) },
  { path: /^\/swatches\.csv$/, make: async (app, _id, _search, zone) => swatchesSheet(await allSwatches(app, { measured: true }), zone) },
  { path: /^\/trials\/([^/]+)\.csv$/, make: async (app, id) => trialSheet(await trialView(app, id)) },
  { path: /^\/shelf\.csv$/, make: async (app, _id, _search, zone) => shelfSheet(await levels(app), (await wholeShelf(app)).nameOf, zone) },
  {
    path: /^\/sessions\/([^/]+)\/weigh-out\.csv$/,
    make: async (app, id, _search, zone) => {
      const { lines, ticks } = await weighList(app, id);
      return weighOutSheet(lines, ticks, zone);
    },
  },
  {
    path: /^\/runs\/([^/]+)\/log\.csv$/,
    make: async (app, id, _search, zone) => {
      const { plan, events } = await runView(app, id);
      return logSheet(plan, events, shelfOf(plan.own).nameOf, zone);
    },
  },
  {
    path: /^\/runs\/([^/]+)\/readings\.csv$/,
    make: async (app, id, _search, zone) => {
      const { plan, events } = await runView(app, id);
      const state = foldRun(plan.steps, events);
      const vessels = probedVessels(await listVessels(app.store.db), plan, state);
      const [fromMs, toMs] = [state.startedAtMs ?? app.nowMs(), state.finishedAtMs ?? app.nowMs()];
      return readingsSheet(
        (function* () {
          for (const { probeId, name } of vessels) yield* daily(app.store.readings, probeId, name, fromMs, toMs);
        })(),
        zone,
      );
    },
  },
  {
    path: /^\/probes\/([^/]+)\/readings\.csv$/,
    make: async (app, id, search, zone) => {
      if (!(await knowsProbe(app.store.db, id))) throw notFound('probe', id.slice(0, 80));
      const toMs = instant(search, 'toMs') ?? app.nowMs();
      const fromMs = instant(search, 'fromMs') ?? toMs - DAY_MS;
      return readingsSheet(daily(app.store.readings, id, id, fromMs, toMs), zone);
    },
  },
];

export const isSheet = (path: string): boolean => SHEETS.some((sheet) => sheet.path.test(path));

/** A table as a file, sent in pieces. Throws Problem. */
export async function sheetAt(app: App, path: string, search: URLSearchParams): Promise<Response> {
  const decimal = search.get('decimal') ?? 'dot';
  if (decimal !== 'dot' && decimal !== 'comma') throw invalid('decimal is “dot” or “comma”.', [{ at: 'decimal', message: 'Write dot or comma.' }]);
  for (const { path: pattern, make } of SHEETS) {
    const found = pattern.exec(path);
    if (!found) continue;
    const { diary } = await homeOf(app);
    const sheet = await make(app, found[1] ?? '', search, diary.zone);
    return new Response(streamOf(sheet, decimal), {
      headers: {
        'content-type': 'text/csv; charset=utf-8; header=present',
        'content-disposition': `attachment; filename="${path.slice(1).replaceAll(/[^\w.-]+/g, '-')}"`,
        'cache-control': 'no-store',
      },
    });
  }
  throw new Problem(404, 'Not found', `There is no table at /api/v1${path.slice(0, 80)}.`);
}

function streamOf(sheet: Sheet, decimal: Decimal): ReadableStream<Uint8Array> {
  const text = sheetText(sheet, decimal);
  const bytes = new TextEncoder();
  return new ReadableStream({
    pull(controller) {
      const { done, value } = text.next();
      if (done) controller.close();
      else controller.enqueue(bytes.encode(value));
    },
  });
}

function instant(search: URLSearchParams, name: string): number | null {
  const text = search.get(name);
  if (text === null) return null;
  if (!/^\d{1,15}$/.test(text)) throw invalid(`${name} is milliseconds since 1970.`, [{ at: name, message: 'Write a whole number.' }]);
  return Number(text);
}

type Placed = { readonly vessel: string; readonly atMs: number; readonly bathC: number };

/** A day at a time, since a year of one a second is 31 million. */
function* daily(readings: Readings, probeId: string, vessel: string, fromMs: number, toMs: number): Generator<Placed[]> {
  for (const dayMs of readings.daysOf(probeId)) {
    if (dayMs + DAY_MS <= fromMs || dayMs > toMs) continue;
    const some = readings.between(probeId, Math.max(fromMs, dayMs), Math.min(toMs, dayMs + DAY_MS - 1));
    yield some.map(({ atMs, bathC }) => ({ vessel, atMs, bathC }));
  }
}
