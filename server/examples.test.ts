import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { type EndpointId, endpoints } from '@/contract/endpoints';
import { type Example, exampleOf } from '@/contract/examples';
import { LIBRARY } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import { draft, home, SATURDAY_9, vessels, writtenLiquor } from '@/core/plan/plan.fixture';
import { type TestApp, testApp } from './testApp.fixture';

/** Every example in the OpenAPI document was sent through the real door and answered by it. `EXAMPLES=write` writes them anew. */

const FILE = path.resolve('contract/examples.json');
let t: TestApp;
beforeAll(async () => {
  t = await testApp(SATURDAY_9);
});
afterAll(() => t.close());

const seen: Partial<Record<EndpointId, Example>> = {};
/** Sends it, and keeps the first one of each kind. */
async function show<T = Record<string, unknown>>(id: EndpointId, pathname: string, body?: unknown): Promise<T> {
  const answered = await t.ask<T>(id, pathname, body);
  seen[id] ??= { path: `/api/v1${pathname}`, ...(body === undefined ? {} : { body }), answer: answered };
  return answered;
}
const weighed = (value: number) => ({ state: 'measured', value });
const lotBody = (id: string, name: string, g: number) => ({
  id,
  name,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: weighed(g),
  pieces: 1,
  baseHex: '#e8e2d2',
  note: '',
});

test('a day at the door, every endpoint once', async () => {
  await show('health', '/health');
  await show('time', '/time');
  await show('whoAmI', '/me');
  await show('leave', '/me/leave', undefined);
  await show('openDoors', '/doors/open', { isOpen: false });
  await show('invite', '/doors/invite', { role: 'hands' });
  const joined = t.app.doors.join('402195', 'Phone on the wall', '192.168.1.23');
  expect(joined.kind).toBe('in');
  await show('invite', '/doors/invite', { role: 'eyes' });
  await show('endInvite', '/doors/invite/end', undefined);
  await show('makeToken', '/doors/tokens', { id: 'shed', name: 'Shed probe', scope: { kind: 'probe', probeId: 'shed' } });
  await show('getDoors', '/doors');
  await show('putOut', `/doors/devices/${t.app.doors.devices[0]?.id}/out`, undefined);
  await show('endToken', '/doors/tokens/shed/out', undefined);
  const first = await show<{ revision: number }>('getHome', '/home');
  await show('putHome', '/home', { ...home, revision: first.revision });
  for (const { revision: _r, ...vessel } of vessels) await show('createVessel', '/vessels', vessel);
  await show('listVessels', '/vessels');
  const { revision: _v, id: vesselId, ...vessel } = vessels[0] as (typeof vessels)[number];
  await show('putVessel', `/vessels/${vesselId}`, { ...vessel, revision: 1 });
  await show('retireVessel', `/vessels/${vesselId}/retire`, { revision: 2, retired: true });
  await show('retireVessel', `/vessels/${vesselId}/retire`, { revision: 3, retired: false });

  await show('createLot', '/lots', lotBody('grey-skein', 'Grey skein', 100));
  await show('getLot', '/lots/grey-skein');
  const { id: _id, ...lot } = lotBody('grey-skein', 'Grey skein, washed', 100);
  await show('putLot', '/lots/grey-skein', { ...lot, revision: 1 });
  await show('addTreatment', '/lots/grey-skein/treatments', {
    id: 'past-1',
    kind: 'scour',
    certainty: 'known',
    substance: null,
    wofPct: { state: 'unknown' },
    atMs: null,
    note: '',
  });
  await t.ask('createLot', '/lots', lotBody('cone', 'Cone', 150));
  const part = (id: string, g: number) => ({ id, name: `Part of the cone, ${id}`, dryWeightG: weighed(g), pieces: 1, note: '' });
  await show('splitLot', '/lots/cone/split', { revision: 1, parts: [part('small', 50), part('large', 100)] });
  await show('joinLots', '/lots/join', { id: 'cone-again', name: 'Cone again', form: 'cone', lots: ['small', 'large'].map((id) => ({ id, revision: 1 })) });
  await show('retireLot', '/lots/cone-again/retire', { revision: 1, retired: true });
  await show('listLots', '/lots');

  await show('listMethods', '/methods');
  await show('getMethod', '/methods/alum-10');
  await show('methodFile', '/methods/alum-10/file');
  const { id: _m, version: _n, ...method } = LIBRARY.find('alum-10') as Method;
  const own = { ...method, name: 'Alum, my way', copyOf: { id: 'alum-10', version: 1 } };
  await show('createMethod', '/methods', { id: 'my-alum', ...own });
  await show('reviseMethod', '/methods/my-alum/versions', { ...own, name: 'Alum, as I like it', expectedVersion: 1 });
  await show('retireMethod', '/methods/my-alum/retire', { revision: 1, retired: true });
  await show('importMethod', '/methods/import', { id: 'taken-in', file: await t.ask('methodFile', '/methods/alum-10/file') });

  await show('listDyestuffs', '/dyestuffs');
  await show('listAssistants', '/assistants');
  const stuff = { kind: 'assistant', name: 'Wood vinegar', group: 'acid', unit: 'mL', usual: 'a spoon', cautionAbovePct: null, inBrief: 'a weak acid' };
  await show('createSubstance', '/substances', { id: 'wood-vinegar', what: stuff });
  await show('putSubstance', '/substances/wood-vinegar', { what: { ...stuff, usual: 'two spoons' }, revision: 1 });
  await show('listOwnSubstances', '/substances');
  await show('retireSubstance', '/substances/wood-vinegar/retire', { revision: 2, retired: true });
  const stock = {
    substance: 'alum',
    form: null,
    label: null,
    amount: weighed(500),
    unit: 'g',
    countedAtMs: SATURDAY_9 - 86_400_000,
    place: 'top shelf',
    source: '',
    pricePerUnit: null,
    ownBulkGPerMl: null,
    note: '',
  };
  await show('createStock', '/stock', { id: 'alum-jar', ...stock });
  await show('putStock', '/stock/alum-jar', { ...stock, amount: weighed(480), revision: 1 });
  await show('listStock', '/stock');
  await show('retireStock', '/stock/alum-jar/retire', { revision: 2, retired: true });
  await show('createLiquor', '/liquors', { id: 'kept-weld', ...writtenLiquor });
  await show('putLiquor', '/liquors/kept-weld', { ...writtenLiquor, note: 'paler', revision: 1 });
  await show('listLiquors', '/liquors');
  await show('addBathAct', '/liquors/kept-weld/acts', { id: 'weld-draw', fact: { kind: 'drawn', what: 'a sample', mL: weighed(500), toId: null } });
  await show('listBaths', '/baths');
  await show('getBath', '/baths/kept-weld');
  await show('withdrawBathAct', '/bath-acts/weld-draw/withdraw', { reason: 'it was the other jar', revision: 1 });
  await show('retireLiquor', '/liquors/kept-weld/retire', { revision: 2, retired: true });

  const work = draft(['grey-skein'], { name: 'Weld on grey' });
  await show('previewPlan', '/plans/preview', work);
  await show('createSession', '/sessions', { id: 'weld-on-grey', draft: work });
  await show('getSession', '/sessions/weld-on-grey');
  await show('getPlan', '/sessions/weld-on-grey/plans/1');
  await show('revisePlan', '/sessions/weld-on-grey/plans', { draft: work, reason: 'looked at again', expectedVersion: 1 });
  await show('listSessions', '/sessions');
  await show('stays', '/stays');
  await show('shopping', '/sessions/weld-on-grey/shopping');
  const { lines } = await show<{ lines: { key: string }[] }>('weighOut', '/sessions/weld-on-grey/weigh-out');
  await show('tickWeighed', '/sessions/weld-on-grey/weigh-out', {
    id: 'tick-1',
    key: lines.find(({ key }) => key.endsWith('/alum'))?.key,
    amount: weighed(10.1),
    unit: 'g',
  });
  await show('startRun', '/sessions/weld-on-grey/runs', { id: 'today', eventId: 'today-begins', planVersion: 2 });
  await show('runningRuns', '/runs/running');
  await show('getRun', '/runs/today');
  await show('recordEvent', '/runs/today/events', { id: 'note-1', type: 'note', stepId: null, text: 'windows open' });
  await show('postReadings', '/probes/probe1/readings', { readings: [{ atMs: SATURDAY_9, bathC: 21.5 }] });
  await show('getReadings', `/probes/probe1/readings?fromMs=${SATURDAY_9 - 1000}&toMs=${SATURDAY_9 + 1000}`);
  t.clock.nowMs += 600_000;
  await show('replan', '/runs/today/replan', { eventId: 'later', reason: 'ten minutes behind' });
  await show('runRecord', '/runs/today/record');
  await show('again', '/runs/today/again', { name: 'Weld on grey, again', startMs: SATURDAY_9 + 7 * 86_400_000, lotIds: ['grey-skein'] });
  const looked = { part: null, liquorId: null, state: 'dry', light: 'daylight', pictures: [], verdict: { depth: 'asWanted', even: 'even' }, note: '' };
  const at = { runId: 'today', stepId: 'c2-mordant' };
  const colour = { lab: { l: 72.4, a: 3.1, b: 51.9 }, by: { kind: 'typed' } };
  await show('addLook', '/looks', { id: 'first-look', lotIds: ['grey-skein'], at, ...looked, colour });
  await show('listLooks', '/looks?runId=today');
  await show('lotLooks', '/lots/grey-skein/looks');
  await show('lotDrying', '/lots/grey-skein/drying?dye=weld');
  await show('listSwatches', '/swatches');
  await show('swatchFactors', '/swatches/factors');
  await show('ownDyes', '/swatches/dyes');
  await show('learntPots', '/pots/heat');
  await show('heldInPots', '/pots/held');
  await show('learntWater', '/water/learnt');
  await show('moveLook', '/looks/first-look/move', { lotIds: ['grey-skein'], reason: 'the tags were swapped', revision: 1 });
  await show('withdrawLook', '/looks/first-look/withdraw', { reason: 'read in the shade', revision: 2 });
  await show('addFastness', '/fastness', {
    id: 'window',
    kind: 'light',
    lotId: 'grey-skein',
    beganAtMs: SATURDAY_9,
    lookDays: [7, 14, 28],
    note: 'South window, half under card.',
  });
  await show('listFastness', '/fastness?lotId=grey-skein');
  await show('withdrawFastness', '/fastness/window/withdraw', { reason: 'the card fell off', revision: 1 });
  const level = (name: string) => ({ name, how: { kind: 'hand' } });
  await t.ask('createLot', '/lots', lotBody('linen', 'Linen', 40));
  await show('addTrial', '/trials', {
    id: 'dips',
    name: 'Two dips',
    question: 'Is the strong dip worth its iron?',
    factors: [{ id: 'dip', name: 'Dip', levels: [level('weak'), level('strong')] }],
    design: 'full',
    repeats: 2,
    controls: 1,
    pieceG: 4,
    wayId: null,
    dyestuffId: null,
    lotId: 'linen',
  });
  await show('listTrials', '/trials');
  await show('getTrial', '/trials/dips');
  await show('withdrawTrial', '/trials/dips/withdraw', { reason: 'the cloth was needed', revision: 1 });
  await show('putSimPot', '/sim-pots/steel12', { on: true, burner: 4, lid: true, litres: 6, factor: 60 });
  await show('listSimPots', '/sim-pots');

  expect(Object.keys(endpoints).filter((id) => !(id in seen))).toEqual([]);
  const examples = Object.fromEntries(Object.keys(endpoints).map((id) => [id, exampleOf(seen[id as EndpointId] as Example)]));
  if (process.env.EXAMPLES === 'write') writeFileSync(FILE, `${JSON.stringify(examples, null, 2)}\n`);
  // By endpoint, so that a failure says which answer is another.
  const written: Record<string, unknown> = JSON.parse(readFileSync(FILE, 'utf8'));
  for (const id of new Set([...Object.keys(written), ...Object.keys(examples)]))
    expect({ [id]: JSON.parse(JSON.stringify(examples[id])) }).toEqual({ [id]: written[id] });
});
