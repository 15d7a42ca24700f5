import type { z } from 'zod';
import type { BodyOf, EndpointId, endpoints, QueryOf } from '@/contract/endpoints';
import { METHODS } from '@/core/method/library';
import { DYESTUFFS } from '@/core/shelf/substances';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { editHome, homeOf, putVessel, setSimPot, simPots } from './kitchen';
import { addEntry, addLot, editLot, lotsWithPassports, lotWithPassport } from './lots';
import { readingsBetween, recordReadings } from './probes';
import { notFound } from './problem';
import { again, recordEvent, replan, runningRuns, runRecord, runView, startRun } from './runs';
import { createSession, listSessions, preview, revisePlan, sessionView } from './sessions';

export interface Call<K extends EndpointId> {
  readonly app: App;
  /** A path parameter that the endpoint's path names. */
  readonly param: (name: string) => string;
  readonly body: BodyOf<K>;
  readonly query: QueryOf<K>;
  readonly isDemo: boolean;
}

type Readonlyish<T> = T extends (infer U)[] ? readonly Readonlyish<U>[] : T extends object ? { readonly [K in keyof T]: Readonlyish<T[K]> } : T;
type Handlers = { readonly [K in EndpointId]: (call: Call<K>) => Promise<Readonlyish<z.input<(typeof endpoints)[K]['response']>>> };

/** One line an endpoint: what it is given is checked already, what it throws becomes a problem document. */
export const handlers: Handlers = {
  health: async ({ app, isDemo }) => ({ name: 'hyndle', nowMs: app.nowMs(), notices: app.store.notices, demo: isDemo }),
  time: async ({ app }) => ({ nowMs: app.nowMs() }),
  getHome: ({ app }) => homeOf(app),
  putHome: ({ app, body }) => editHome(app, body),
  listLots: ({ app }) => lotsWithPassports(app),
  createLot: ({ app, body }) => addLot(app, body),
  getLot: ({ app, param }) => lotWithPassport(app, param('lotId')),
  putLot: ({ app, param, body }) => editLot(app, param('lotId'), body),
  addTreatment: ({ app, param, body }) => addEntry(app, param('lotId'), body),
  listVessels: ({ app }) => listVessels(app.store.db),
  createVessel: ({ app, body: { id, ...input } }) => putVessel(app, id, input, null),
  putVessel: ({ app, param, body: { revision, ...input } }) => putVessel(app, param('vesselId'), input, revision),
  listMethods: async () => METHODS as never,
  listDyestuffs: async () => Object.values(DYESTUFFS),
  previewPlan: ({ app, body }) => preview(app, body) as never,
  listSessions: ({ app }) => listSessions(app),
  createSession: ({ app, body }) => createSession(app, body) as never,
  getSession: ({ app, param }) => sessionView(app, param('sessionId')) as never,
  getPlan: ({ app, param }) => {
    const version = Number(param('version'));
    if (!Number.isInteger(version) || version < 1 || version > 1e9) throw notFound('plan', param('version'));
    return sessionView(app, param('sessionId'), version) as never;
  },
  revisePlan: ({ app, param, body }) => revisePlan(app, param('sessionId'), body) as never,
  startRun: ({ app, param, body }) => startRun(app, param('sessionId'), body) as never,
  runningRuns: ({ app }) => runningRuns(app) as never,
  getRun: ({ app, param }) => runView(app, param('runId')) as never,
  recordEvent: ({ app, param, body }) => recordEvent(app, param('runId'), body) as never,
  replan: ({ app, param, body }) => replan(app, param('runId'), body) as never,
  runRecord: ({ app, param }) => runRecord(app, param('runId')) as never,
  again: ({ app, param, body }) => again(app, param('runId'), body),
  postReadings: ({ app, param, body }) => recordReadings(app, param('probeId'), body.readings),
  getReadings: ({ app, param, query }) => readingsBetween(app, param('probeId'), query.fromMs ?? null, query.toMs ?? null),
  listSimPots: ({ app }) => simPots(app),
  putSimPot: ({ app, param, body }) => setSimPot(app, param('vesselId'), body),
};
