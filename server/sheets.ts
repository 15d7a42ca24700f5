import { FILE_DOORS, type FileDoorId } from '@/contract/fileDoors';
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
import { invalid, notFound } from './problem';
import { probedVessels } from './runReadings';
import { runView } from './runs';
import { levels, wholeShelf } from './shelf';
import { trialView } from './trials';
import { weighList } from './weighing';

type Params = Readonly<Record<string, string>>;

/** Everything that a spreadsheet may want, by its door. */
const SHEETS = {
  lotsTable: async (app, _params, _search, zone) => lotsSheet(await listLots(app.store.db, true), zone),
  swatchesTable: async (app, _params, _search, zone) => swatchesSheet(await allSwatches(app, { measured: true }), zone),
  trialTable: async (app, { trialId = '' }) => trialSheet(await trialView(app, trialId)),
  shelfTable: async (app, _params, _search, zone) => shelfSheet(await levels(app), (await wholeShelf(app)).nameOf, zone),
  weighOutTable: async (app, { sessionId = '' }, _search, zone) => {
    const { lines, ticks } = await weighList(app, sessionId);
    return weighOutSheet(lines, ticks, zone);
  },
  logTable: async (app, { runId = '' }, _search, zone) => {
    const { plan, events } = await runView(app, runId);
    return logSheet(plan, events, shelfOf(plan.own).nameOf, zone);
  },
  runReadingsTable: async (app, { runId = '' }, _search, zone) => {
    const { plan, events } = await runView(app, runId);
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
  readingsTable: async (app, { probeId = '' }, search, zone) => {
    if (!(await knowsProbe(app.store.db, probeId))) throw notFound('probe', probeId.slice(0, 80));
    const toMs = instant(search, 'toMs') ?? app.nowMs();
    const fromMs = instant(search, 'fromMs') ?? toMs - DAY_MS;
    return readingsSheet(daily(app.store.readings, probeId, probeId, fromMs, toMs), zone);
  },
} as const satisfies Partial<Record<FileDoorId, (app: App, params: Params, search: URLSearchParams, zone: string) => Promise<Sheet>>>;

type SheetId = keyof typeof SHEETS;
export const isSheet = (id: FileDoorId): id is SheetId => id in SHEETS;

/** A table as a file, sent in pieces. Throws Problem. */
export async function sheetAt(app: App, id: SheetId, params: Params, search: URLSearchParams): Promise<Response> {
  const decimal = search.get('decimal') ?? 'dot';
  if (decimal !== 'dot' && decimal !== 'comma') throw invalid('decimal is “dot” or “comma”.', [{ at: 'decimal', message: 'Write dot or comma.' }]);
  const { diary } = await homeOf(app);
  const sheet = await SHEETS[id](app, params, search, diary.zone);
  const name = FILE_DOORS[id].path.slice(1).replaceAll(/\{(\w+)\}/g, (_all, param: string) => params[param] ?? '');
  return new Response(streamOf(sheet, decimal), {
    headers: {
      'content-type': 'text/csv; charset=utf-8; header=present',
      'content-disposition': `attachment; filename="${name.replaceAll(/[^\w.-]+/g, '-')}"`,
      'cache-control': 'no-store',
    },
  });
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
