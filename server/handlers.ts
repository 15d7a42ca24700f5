import type { z } from 'zod';
import type { BodyOf, EndpointId, endpoints, QueryOf } from '@/contract/endpoints';
import { shelfOf } from '@/core/shelf/library';
import { listVessels } from '@/store/vessels';
import type { App } from './app';
import { addBathAct, bathPage, bathViews, withdrawBathAct } from './baths';
import { doorsView, endInvite, endToken, invite, leave, makeToken, openHome, putOut, whoAmI } from './doors/view';
import { addFastness, fastnessViews, withdrawFastness } from './fastness';
import { editHome, homeOf, putVessel, retireVessel, setSimPot, simPots } from './kitchen';
import { learntWater } from './learntWater';
import { addLook, dryingOf, listSwatches, looksBy, looksOfLot, moveLook, ownDyes, swatchFactors, withdrawLook } from './looks';
import { addEntry, addLot, editLot, joinLots, lotsWithPassports, lotWithPassport, retireLot, splitLot } from './lots';
import { addMethod, bookOf, importMethod, methodAsFile, methodView, retireMethod, reviseMethod } from './methods';
import { heldInPots, learntPots } from './pots';
import { readingsBetween, recordReadings } from './probes';
import { notFound } from './problem';
import { again, recordEvent, replan, runningRuns, runRecord, runView, startRun } from './runs';
import { createSession, listSessions, openStays, preview, revisePlan, sessionView } from './sessions';
import {
  addLiquor,
  addStock,
  addSubstance,
  editLiquor,
  editStock,
  editSubstance,
  levels,
  listLiquors,
  listOwn,
  ownOf,
  retireLiquor,
  retireStock,
  retireSubstance,
} from './shelf';
import { addTrial, trialLines, trialView, withdrawTrial } from './trials';
import { shopping, tickWeighed, weighList } from './weighing';

export interface Call<K extends EndpointId> {
  readonly app: App;
  /** A path parameter that the endpoint's path names. */
  readonly param: (name: string) => string;
  readonly body: BodyOf<K>;
  readonly query: QueryOf<K>;
  readonly isDemo: boolean;
  /** Whether it was asked over https. */
  readonly isSecure: boolean;
}

/** What a handler may hand over: read-only, and of an open object only the keys that its schema names. */
type Answer<T> = T extends readonly (infer U)[]
  ? readonly Answer<U>[]
  : T extends object
    ? { readonly [K in keyof T as string extends K ? (Record<never, never> extends T ? K : never) : K]: Answer<T[K]> }
    : T;
type Handlers = { readonly [K in EndpointId]: (call: Call<K>) => Promise<Answer<z.input<(typeof endpoints)[K]['response']>>> };

/** One line an endpoint: what it is given is checked already, what it throws becomes a problem document. */
export const handlers: Handlers = {
  health: async ({ app, isDemo }) => ({ name: 'hyndle', nowMs: app.nowMs(), notices: app.store.notices, trouble: app.store.trouble, demo: isDemo }),
  time: async ({ app }) => ({ nowMs: app.nowMs() }),
  whoAmI: async ({ app, isSecure }) => whoAmI(app, isSecure),
  leave: ({ app }) => leave(app),
  getDoors: async ({ app }) => doorsView(app),
  openDoors: ({ app, body }) => openHome(app, body.isOpen),
  invite: async ({ app, body }) => invite(app, body.role),
  endInvite: async ({ app }) => endInvite(app),
  putOut: ({ app, param }) => putOut(app, param('deviceId')),
  makeToken: async ({ app, body }) => makeToken(app, body),
  endToken: ({ app, param }) => endToken(app, param('tokenId')),
  getHome: ({ app }) => homeOf(app),
  putHome: ({ app, body }) => editHome(app, body),
  listLots: ({ app, query }) => lotsWithPassports(app, query.ended === 'yes'),
  createLot: ({ app, body }) => addLot(app, body),
  getLot: ({ app, param }) => lotWithPassport(app, param('lotId')),
  putLot: ({ app, param, body }) => editLot(app, param('lotId'), body),
  addTreatment: ({ app, param, body }) => addEntry(app, param('lotId'), body),
  splitLot: ({ app, param, body }) => splitLot(app, param('lotId'), body),
  joinLots: ({ app, body }) => joinLots(app, body),
  retireLot: ({ app, param, body }) => retireLot(app, param('lotId'), body),
  lotLooks: ({ app, param }) => looksOfLot(app, param('lotId')),
  lotDrying: ({ app, param, query }) => dryingOf(app, param('lotId'), query.dye),
  listLooks: ({ app, query }) => looksBy(app, query),
  addLook: ({ app, body }) => addLook(app, body),
  moveLook: ({ app, param, body }) => moveLook(app, param('lookId'), body),
  withdrawLook: ({ app, param, body }) => withdrawLook(app, param('lookId'), body),
  listSwatches: ({ app, query }) => listSwatches(app, query),
  ownDyes: ({ app }) => ownDyes(app),
  learntPots: ({ app }) => learntPots(app),
  heldInPots: ({ app }) => heldInPots(app),
  learntWater: ({ app }) => learntWater(app),
  swatchFactors: ({ app }) => swatchFactors(app),
  listTrials: ({ app }) => trialLines(app),
  getTrial: ({ app, param }) => trialView(app, param('trialId')),
  addTrial: ({ app, body }) => addTrial(app, body),
  withdrawTrial: ({ app, param, body }) => withdrawTrial(app, param('trialId'), body),
  listFastness: ({ app, query }) => fastnessViews(app, query.lotId),
  addFastness: ({ app, body }) => addFastness(app, body),
  withdrawFastness: ({ app, param, body }) => withdrawFastness(app, param('testId'), body),
  listVessels: ({ app }) => listVessels(app.store.db),
  createVessel: ({ app, body: { id, ...input } }) => putVessel(app, id, input, null),
  putVessel: ({ app, param, body: { revision, ...input } }) => putVessel(app, param('vesselId'), input, revision),
  retireVessel: ({ app, param, body }) => retireVessel(app, param('vesselId'), body),
  listMethods: async ({ app }) => (await bookOf(app)).all,
  getMethod: ({ app, param }) => methodView(app, param('methodId')),
  createMethod: ({ app, body }) => addMethod(app, body),
  reviseMethod: ({ app, param, body }) => reviseMethod(app, param('methodId'), body),
  retireMethod: ({ app, param, body }) => retireMethod(app, param('methodId'), body),
  methodFile: ({ app, param }) => methodAsFile(app, param('methodId')),
  importMethod: ({ app, body }) => importMethod(app, body),
  listDyestuffs: async ({ app }) => shelfOf(await ownOf(app, false)).dyestuffs,
  listAssistants: async ({ app }) => shelfOf(await ownOf(app, false)).assistants,
  listOwnSubstances: ({ app }) => listOwn(app),
  createSubstance: ({ app, body }) => addSubstance(app, body),
  putSubstance: ({ app, param, body }) => editSubstance(app, param('substanceId'), body),
  retireSubstance: ({ app, param, body }) => retireSubstance(app, param('substanceId'), body),
  listStock: ({ app }) => levels(app),
  createStock: ({ app, body }) => addStock(app, body),
  putStock: ({ app, param, body }) => editStock(app, param('stockId'), body),
  retireStock: ({ app, param, body }) => retireStock(app, param('stockId'), body),
  listLiquors: ({ app }) => listLiquors(app),
  createLiquor: ({ app, body }) => addLiquor(app, body),
  putLiquor: ({ app, param, body }) => editLiquor(app, param('liquorId'), body),
  retireLiquor: ({ app, param, body }) => retireLiquor(app, param('liquorId'), body),
  listBaths: ({ app }) => bathViews(app),
  getBath: ({ app, param }) => bathPage(app, param('liquorId')),
  addBathAct: ({ app, param, body }) => addBathAct(app, param('liquorId'), body),
  withdrawBathAct: ({ app, param, body }) => withdrawBathAct(app, param('actId'), body),
  previewPlan: ({ app, body }) => preview(app, body),
  listSessions: ({ app }) => listSessions(app),
  createSession: ({ app, body }) => createSession(app, body),
  getSession: ({ app, param }) => sessionView(app, param('sessionId')),
  getPlan: ({ app, param }) => {
    const version = Number(param('version'));
    if (!Number.isInteger(version) || version < 1 || version > 1e9) throw notFound('plan', param('version'));
    return sessionView(app, param('sessionId'), version);
  },
  revisePlan: ({ app, param, body }) => revisePlan(app, param('sessionId'), body),
  weighOut: ({ app, param }) => weighList(app, param('sessionId')),
  tickWeighed: ({ app, param, body }) => tickWeighed(app, param('sessionId'), body),
  stays: ({ app }) => openStays(app),
  shopping: ({ app, param }) => shopping(app, param('sessionId')),
  startRun: ({ app, param, body }) => startRun(app, param('sessionId'), body),
  runningRuns: ({ app }) => runningRuns(app),
  getRun: ({ app, param }) => runView(app, param('runId')),
  recordEvent: ({ app, param, body }) => recordEvent(app, param('runId'), body),
  replan: ({ app, param, body }) => replan(app, param('runId'), body),
  runRecord: ({ app, param }) => runRecord(app, param('runId')),
  again: ({ app, param, body }) => again(app, param('runId'), body),
  postReadings: ({ app, param, body }) => recordReadings(app, param('probeId'), body.readings, body.isCorrected),
  getReadings: ({ app, param, query }) => readingsBetween(app, param('probeId'), query.fromMs ?? null, query.toMs ?? null),
  listSimPots: ({ app }) => simPots(app),
  putSimPot: ({ app, param, body }) => setSimPot(app, param('vesselId'), body),
};
