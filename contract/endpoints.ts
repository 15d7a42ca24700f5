import { z } from 'zod';
import * as baths from './baths';
import * as doors from './doors';
import * as fastness from './fastness';
import * as looks from './looks';
import * as methodFile from './methodFile';
import { heldInPots, learntWater, pots } from './pots';
import * as out from './responses';
import * as input from './schemas';
import * as shelf from './shelf';
import { id, revision } from './text';
import * as trials from './trials';

export interface Endpoint {
  readonly method: 'GET' | 'POST' | 'PUT';
  /** With `{name}` for path parameters. */
  readonly path: string;
  readonly summary: string;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  readonly response: z.ZodType;
}

const numberText = z
  .string()
  .regex(/^\d{1,15}$/, 'Write a whole number.')
  .transform(Number);

/** All of HTTP except the live stream and this list's own document. Paths are below /api/v1. */
export const endpoints = {
  health: { method: 'GET', path: '/health', summary: 'Is it up, and what was mended at start', response: out.health },
  time: { method: 'GET', path: '/time', summary: 'The server’s clock, so that a device with a wrong one can set its acts right', response: out.time },
  whoAmI: { method: 'GET', path: '/me', summary: 'Who asks: the machine itself, a device that joined, or a program with a token', response: doors.me },
  leave: { method: 'POST', path: '/me/leave', summary: 'A device puts itself out', response: z.object({ left: z.boolean() }) },
  getDoors: {
    method: 'GET',
    path: '/doors',
    summary: 'Who may come in from outside this machine; on the machine alone, as is all below /doors',
    response: doors.doors,
  },
  openDoors: { method: 'POST', path: '/doors/open', summary: 'Listen on the home network, or no longer', body: doors.openInput, response: doors.doors },
  invite: {
    method: 'POST',
    path: '/doors/invite',
    summary: 'Six digits by which one device joins within five minutes',
    body: doors.inviteInput,
    response: doors.doors,
  },
  endInvite: { method: 'POST', path: '/doors/invite/end', summary: 'The digits count no longer', response: doors.doors },
  putOut: {
    method: 'POST',
    path: '/doors/devices/{deviceId}/out',
    summary: 'Put a device out; answered when its last act under way is answered',
    response: doors.doors,
  },
  makeToken: {
    method: 'POST',
    path: '/doors/tokens',
    summary: 'A token for a probe or a program; it is shown in this answer and never again',
    body: doors.newToken,
    response: doors.madeToken,
  },
  endToken: { method: 'POST', path: '/doors/tokens/{tokenId}/out', summary: 'End a token', response: doors.doors },
  getHome: { method: 'GET', path: '/home', summary: 'Diary, heat sources and the home’s figures', response: out.home },
  putHome: { method: 'PUT', path: '/home', summary: 'Change them; refused when somebody else did meanwhile', body: input.homeEdit, response: out.home },
  listLots: {
    method: 'GET',
    path: '/lots',
    summary: 'Fibre lots with their passports; ended=yes gives those too that were split, joined or put away',
    query: z.object({ ended: z.enum(['yes', 'no']).optional() }),
    response: z.array(out.lotWithPassport),
  },
  createLot: {
    method: 'POST',
    path: '/lots',
    summary: 'A new lot; sending it again is harmless',
    body: input.newLot,
    response: out.lot,
  },
  getLot: { method: 'GET', path: '/lots/{lotId}', summary: 'One lot with its passport', response: out.lotWithPassport },
  putLot: { method: 'PUT', path: '/lots/{lotId}', summary: 'Change a lot; refused when somebody else did meanwhile', body: input.lotEdit, response: out.lot },
  addTreatment: {
    method: 'POST',
    path: '/lots/{lotId}/treatments',
    summary: 'A hand-made passport entry',
    body: input.treatmentInput,
    response: out.lotWithPassport,
  },
  splitLot: { method: 'POST', path: '/lots/{lotId}/split', summary: 'Split a lot into parts whose weights add up', body: input.splitInput, response: out.lots },
  joinLots: { method: 'POST', path: '/lots/join', summary: 'Join lots into one', body: input.joinInput, response: out.lot },
  retireLot: {
    method: 'POST',
    path: '/lots/{lotId}/retire',
    summary: 'Put a lot away, or take it back; records that name it stay whole',
    body: shelf.retireInput,
    response: out.lot,
  },
  lotLooks: {
    method: 'GET',
    path: '/lots/{lotId}/looks',
    summary: 'What was seen of a lot, and of the lots it was split from or joined of',
    response: z.array(looks.look),
  },
  lotDrying: {
    method: 'GET',
    path: '/lots/{lotId}/drying',
    summary: 'How a lot like this one changes as it dries, learnt from results that were read wet and again dry; dye names what it is in now',
    query: looks.dryingFilter,
    response: looks.drying,
  },
  listLooks: {
    method: 'GET',
    path: '/looks',
    summary: 'What was seen at a run, of a lot alone or of a kept bath; without any of them, everything',
    query: looks.lookFilter,
    response: z.array(looks.look),
  },
  addLook: {
    method: 'POST',
    path: '/looks',
    summary: 'Somebody looked: pictures that were kept before, a colour, words; on a lot, a kept bath or a step',
    body: looks.lookInput,
    response: looks.look,
  },
  moveLook: {
    method: 'POST',
    path: '/looks/{lookId}/move',
    summary: 'It shows another lot: moved there, with the reason; where it stood stays written down',
    body: looks.lookMove,
    response: looks.look,
  },
  withdrawLook: {
    method: 'POST',
    path: '/looks/{lookId}/withdraw',
    summary: 'It counts no longer; it stays, with the reason',
    body: looks.lookWithdraw,
    response: looks.look,
  },
  listSwatches: {
    method: 'GET',
    path: '/swatches',
    summary: 'Every result: each lot after each treatment at which somebody looked; runId gives what came out of that run, first as many of the newest',
    query: looks.swatchFilter,
    response: z.array(looks.swatch),
  },
  ownDyes: { method: 'GET', path: '/swatches/dyes', summary: 'What dyestuffs gave here: what plans expect of them', response: looks.ownDyes },
  learntPots: {
    method: 'GET',
    path: '/pots/heat',
    summary: 'What the curves of one’s own pots taught of their heat: what plans and forecasts reckon with',
    response: pots,
  },
  heldInPots: {
    method: 'GET',
    path: '/pots/held',
    summary: 'What vessels held last in each of the newest sessions: a pot keeps some of its iron',
    response: heldInPots,
  },
  learntWater: {
    method: 'GET',
    path: '/water/learnt',
    summary: 'What one’s own strips say of the tap: offered where the water is set, and used nowhere by itself',
    response: learntWater,
  },
  swatchFactors: {
    method: 'GET',
    path: '/swatches/factors',
    summary: 'What is written down of all results, by factor and value: what a wall is filtered by',
    response: looks.factorIndex,
  },
  listTrials: { method: 'GET', path: '/trials', summary: 'Trials, the newest first', response: trials.trialLines },
  getTrial: { method: 'GET', path: '/trials/{trialId}', summary: 'A trial, the colours of its pieces so far, and what they tell', response: trials.trialView },
  addTrial: {
    method: 'POST',
    path: '/trials',
    summary: 'Make a trial: its pieces are cut from the lots and get codes in an order that nobody chose',
    body: trials.trialInput,
    response: trials.trial,
  },
  withdrawTrial: {
    method: 'POST',
    path: '/trials/{trialId}/withdraw',
    summary: 'It is given up; its pieces stay what they are',
    body: trials.trialWithdraw,
    response: trials.trial,
  },
  listFastness: {
    method: 'GET',
    path: '/fastness',
    summary: 'Light and wash tests of one lot or of all, with their grades so far',
    query: fastness.fastnessFilter,
    response: z.array(fastness.fastnessView),
  },
  addFastness: {
    method: 'POST',
    path: '/fastness',
    summary: 'Begin a light or wash test; its looks are called for on their days',
    body: fastness.fastnessInput,
    response: fastness.fastnessTest,
  },
  withdrawFastness: {
    method: 'POST',
    path: '/fastness/{testId}/withdraw',
    summary: 'It is given up; what was seen stays',
    body: fastness.fastnessWithdraw,
    response: fastness.fastnessTest,
  },
  listVessels: { method: 'GET', path: '/vessels', summary: 'Vessels in the kitchen’s order', response: z.array(out.vessel) },
  createVessel: { method: 'POST', path: '/vessels', summary: 'A new vessel', body: input.newVessel, response: out.vessel },
  putVessel: { method: 'PUT', path: '/vessels/{vesselId}', summary: 'Change a vessel', body: input.vesselEdit, response: out.vessel },
  retireVessel: {
    method: 'POST',
    path: '/vessels/{vesselId}/retire',
    summary: 'Put a vessel away, or take it back',
    body: shelf.retireInput,
    response: out.vessel,
  },
  listMethods: { method: 'GET', path: '/methods', summary: 'The library and own methods in working order', response: z.array(out.method) },
  getMethod: { method: 'GET', path: '/methods/{methodId}', summary: 'A method with all its versions', response: out.methodVersions },
  createMethod: {
    method: 'POST',
    path: '/methods',
    summary: 'A method of one’s own; sending it again is harmless',
    body: methodFile.methodInput.extend({ id }),
    response: out.method,
  },
  reviseMethod: {
    method: 'POST',
    path: '/methods/{methodId}/versions',
    summary: 'A new version of an own method; sessions keep the one they were planned with',
    body: methodFile.methodInput.extend({ expectedVersion: z.int().min(1) }),
    response: out.method,
  },
  retireMethod: {
    method: 'POST',
    path: '/methods/{methodId}/retire',
    summary: 'Stop offering an own method, or offer it again',
    body: shelf.retireInput,
    response: out.methodVersions,
  },
  methodFile: { method: 'GET', path: '/methods/{methodId}/file', summary: 'The method as an open JSON file', response: methodFile.methodFile },
  importMethod: {
    method: 'POST',
    path: '/methods/import',
    summary: 'Take a method file in; what is wrong with it is said, and nothing is stored',
    body: z.strictObject({ id, file: z.unknown() }),
    response: out.method,
  },
  listDyestuffs: { method: 'GET', path: '/dyestuffs', summary: 'Dyestuffs: the starter library and own ones', response: z.array(out.dyestuff) },
  listAssistants: { method: 'GET', path: '/assistants', summary: 'Mordants, acids, alkalis and what else goes in', response: z.array(out.assistant) },
  listOwnSubstances: { method: 'GET', path: '/substances', summary: 'What the dyer added to the library', response: z.array(out.ownSubstance) },
  createSubstance: {
    method: 'POST',
    path: '/substances',
    summary: 'A dyestuff or chemical of one’s own',
    body: shelf.newSubstance,
    response: out.ownSubstance,
  },
  putSubstance: {
    method: 'PUT',
    path: '/substances/{substanceId}',
    summary: 'Change it; plans keep what they were made with',
    body: z.strictObject({ revision, what: shelf.ownSubstanceInput }),
    response: out.ownSubstance,
  },
  retireSubstance: {
    method: 'POST',
    path: '/substances/{substanceId}/retire',
    summary: 'Put it away, or take it back',
    body: shelf.retireInput,
    response: out.ownSubstance,
  },
  listStock: { method: 'GET', path: '/stock', summary: 'Stock with what is left after the runs', response: z.array(out.stockLevel) },
  createStock: { method: 'POST', path: '/stock', summary: 'Something new on the shelf', body: shelf.newStock, response: out.stockItem },
  putStock: {
    method: 'PUT',
    path: '/stock/{stockId}',
    summary: 'Change or count it anew',
    body: shelf.stockEdit,
    response: out.stockItem,
  },
  retireStock: { method: 'POST', path: '/stock/{stockId}/retire', summary: 'Put it away, or take it back', body: shelf.retireInput, response: out.stockItem },
  listLiquors: { method: 'GET', path: '/liquors', summary: 'Kept liquors', response: z.array(out.liquor) },
  createLiquor: { method: 'POST', path: '/liquors', summary: 'Keep a bath', body: shelf.newLiquor, response: out.liquor },
  putLiquor: {
    method: 'PUT',
    path: '/liquors/{liquorId}',
    summary: 'Change a kept liquor',
    body: shelf.liquorEdit,
    response: out.liquor,
  },
  retireLiquor: { method: 'POST', path: '/liquors/{liquorId}/retire', summary: 'It is used up or poured away', body: shelf.retireInput, response: out.liquor },
  listBaths: {
    method: 'GET',
    path: '/baths',
    summary: 'Kept baths as they stand now: what is left, what is in it, and which sessions are planned with it',
    response: z.array(baths.bathView),
  },
  getBath: {
    method: 'GET',
    path: '/baths/{liquorId}',
    summary: 'One kept bath: its balance, uses, draws, what is left of its colour, and where it may be poured',
    response: baths.bathPage,
  },
  addBathAct: {
    method: 'POST',
    path: '/liquors/{liquorId}/acts',
    summary: 'What was done to a kept bath: poured in, drawn, put in, topped up, strained, measured, moved, used, poured away',
    body: baths.keptActInput,
    response: baths.keptAct,
  },
  withdrawBathAct: {
    method: 'POST',
    path: '/bath-acts/{actId}/withdraw',
    summary: 'It was a slip: it stays written down, with the reason, and counts for nothing',
    body: baths.keptActWithdraw,
    response: baths.keptAct,
  },
  previewPlan: { method: 'POST', path: '/plans/preview', summary: 'Work a draft out without keeping it', body: input.draftPreview, response: out.builtPlan },
  listSessions: { method: 'GET', path: '/sessions', summary: 'All sessions, newest first', response: z.array(out.sessionSummary) },
  createSession: { method: 'POST', path: '/sessions', summary: 'Keep a draft as plan 1 of a new session', body: input.newSession, response: out.plan },
  getSession: { method: 'GET', path: '/sessions/{sessionId}', summary: 'The newest plan of a session', response: out.sessionView },
  getPlan: { method: 'GET', path: '/sessions/{sessionId}/plans/{version}', summary: 'An older plan, as it was', response: out.sessionView },
  revisePlan: {
    method: 'POST',
    path: '/sessions/{sessionId}/plans',
    summary: 'A new version of the plan, with a reason',
    body: input.newPlan,
    response: out.plan,
  },
  weighOut: {
    method: 'GET',
    path: '/sessions/{sessionId}/weigh-out',
    summary: 'Everything to weigh out, in the order of use, with its ticks',
    response: out.weighList,
  },
  tickWeighed: {
    method: 'POST',
    path: '/sessions/{sessionId}/weigh-out',
    summary: 'Tick one line off with what was weighed; null takes the tick back; sending it again is harmless',
    body: shelf.weighTickInput,
    response: out.weighTick,
  },
  stays: { method: 'GET', path: '/stays', summary: 'What planned and running sessions take of the kitchen, and when', response: z.array(out.stay) },
  shopping: { method: 'GET', path: '/sessions/{sessionId}/shopping', summary: 'What the newest plan lacks on the shelf', response: z.array(out.shoppingLine) },
  startRun: {
    method: 'POST',
    path: '/sessions/{sessionId}/runs',
    summary: 'Start it; refused while a stop holds the plan',
    body: input.newRun,
    response: out.runView,
  },
  runningRuns: { method: 'GET', path: '/runs/running', summary: 'Every run under way', response: z.array(out.runView) },
  getRun: { method: 'GET', path: '/runs/{runId}', summary: 'Plan, log and readings of a run', response: out.runView },
  recordEvent: {
    method: 'POST',
    path: '/runs/{runId}/events',
    summary: 'Write one act into the log; sending it again is harmless',
    body: input.eventInput,
    response: out.runEvent,
  },
  replan: {
    method: 'POST',
    path: '/runs/{runId}/replan',
    summary: 'Put the steps still to come on the clock from now',
    body: input.replanInput,
    response: out.runView,
  },
  runRecord: { method: 'GET', path: '/runs/{runId}/record', summary: 'Planned beside actual, differences in words', response: out.runRecord },
  again: {
    method: 'POST',
    path: '/runs/{runId}/again',
    summary: 'A draft from what was really done, for other lots',
    body: input.againInput,
    response: out.draft,
  },
  postReadings: {
    method: 'POST',
    path: '/probes/{probeId}/readings',
    summary: 'The door for probes: JSON, or text/csv lines of time,temperature',
    body: input.readingsInput,
    response: out.stored,
  },
  getReadings: {
    method: 'GET',
    path: '/probes/{probeId}/readings',
    summary: 'Readings of a stretch; long stretches as minute means',
    query: z.object({ fromMs: numberText.optional(), toMs: numberText.optional() }),
    response: out.readings,
  },
  listSimPots: { method: 'GET', path: '/sim-pots', summary: 'Simulated pots and their knobs', response: z.array(out.simPot) },
  putSimPot: { method: 'PUT', path: '/sim-pots/{vesselId}', summary: 'Turn the knobs of a simulated pot', body: input.simPotInput, response: out.simPot },
} as const satisfies Record<string, Endpoint>;

export type EndpointId = keyof typeof endpoints;
export type BodyOf<K extends EndpointId> = (typeof endpoints)[K] extends { body: infer B extends z.ZodType } ? z.output<B> : undefined;
export type QueryOf<K extends EndpointId> = (typeof endpoints)[K] extends { query: infer Q extends z.ZodType } ? z.output<Q> : undefined;

/** Finds the endpoint for a path below /api/v1. A fixed segment wins over a parameter. */
export function matchEndpoint(method: string, path: string): { id: EndpointId; params: Record<string, string> } | { id: null; otherMethods: string[] } {
  const parts = path.split('/');
  const otherMethods: string[] = [];
  let best: { id: EndpointId; params: Record<string, string> } | null = null;
  for (const [id, endpoint] of Object.entries(endpoints) as [EndpointId, Endpoint][]) {
    const params = matchPath(endpoint.path, parts);
    if (!params) continue;
    if (endpoint.method !== method) otherMethods.push(endpoint.method);
    else if (!best || Object.keys(params).length < Object.keys(best.params).length) best = { id, params };
  }
  return best ?? { id: null, otherMethods };
}

function matchPath(template: string, parts: readonly string[]): Record<string, string> | null {
  const wanted = template.split('/');
  if (wanted.length !== parts.length) return null;
  const params: Record<string, string> = {};
  for (const [i, want] of wanted.entries()) {
    const part = parts[i] ?? '';
    if (want.startsWith('{')) params[want.slice(1, -1)] = part;
    else if (want !== part) return null;
  }
  return params;
}
