import { copyMethod } from '@/core/method/copy';
import { LIBRARY } from '@/core/method/library';
import { wallTime, zonedMs } from '@/core/time/zone';
import type { App } from '@/server/app';
import { editHome, homeOf, putVessel } from '@/server/kitchen';
import { addEntry, addLot, splitLot } from '@/server/lots';
import { addMethod } from '@/server/methods';
import { createSession } from '@/server/sessions';
import { addStock } from '@/server/shelf';
import { listLots } from '@/store/lots';
import { shedBaths } from './baths';
import { CONE, RIBBON, SHED_LOTS, SHED_STOCK, SHED_VESSELS, shedHome } from './kitchen';
import { liveSessions } from './live';
import { type At, chainOf, draftOf, play } from './play';
import { shedResults } from './results';
import { shedTrials } from './trials';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Fills an empty data folder by running the real code with a clock of its own. Does nothing where there is data. */
export async function seedDemo(app: App): Promise<void> {
  if ((await listLots(app.store.db)).length > 0) return;
  const nowMs = app.nowMs();
  const at = (ms: number): App => ({ ...app, nowMs: () => ms });
  const begin = at(nowMs - 30 * DAY);
  const { zone } = (await homeOf(begin)).diary;
  await editHome(begin, { ...shedHome(zone, nowMs), revision: 1 });
  for (const [id, vessel] of Object.entries(SHED_VESSELS)) await putVessel(begin, id, vessel, null);
  for (const [id, lot] of Object.entries(SHED_LOTS)) await addLot(begin, { id, ...lot });
  await shelfAndOwnMethod(begin);
  await coneAndRibbon(begin);
  await handMadeHistory(begin, nowMs);
  await finishedSession(at, nowMs, zone);
  await liveSessions(at, nowMs);
  await plannedSession(at(nowMs - 2 * HOUR), nowMs, zone);
  await jarSession(at(nowMs - 2 * HOUR), nowMs, zone);
  await shedBaths(at, nowMs);
  await shedResults(at, nowMs);
  await shedTrials(at, nowMs);
}

async function handMadeHistory(app: App, nowMs: number): Promise<void> {
  const unknown = { state: 'unknown' } as const;
  await addEntry(app, 'bag', {
    id: 'hand-bag-mordant',
    kind: 'mordant',
    certainty: 'believed',
    substance: 'potash alum',
    wofPct: unknown,
    atMs: null,
    part: null,
    note: 'It was in the alum box.',
  });
  await addEntry(app, 'bag', { id: 'hand-bag-scour', kind: 'scour', certainty: 'unknown', substance: null, wofPct: unknown, atMs: null, part: null, note: '' });
  await addEntry(app, 'towels', {
    id: 'hand-towels-scour',
    kind: 'scour',
    certainty: 'known',
    substance: 'soda ash',
    wofPct: { state: 'estimated', value: 2 },
    atMs: nowMs - 40 * DAY,
    part: null,
    note: 'Boiled twice.',
  });
  await keptBare(app, 'cord');
}

/** A control: no mordant, and that on purpose. */
async function keptBare(app: App, lotId: string): Promise<void> {
  await addEntry(app, lotId, {
    id: `hand-${lotId}-mordant`,
    kind: 'mordant',
    certainty: 'noneOnPurpose',
    substance: null,
    wofPct: { state: 'unknown' },
    atMs: null,
    part: null,
    note: 'Kept bare as a control.',
  });
}

async function shelfAndOwnMethod(app: App): Promise<void> {
  for (const [id, item] of Object.entries(SHED_STOCK)) await addStock(app, { id: `stock-${id}`, ...item, countedAtMs: app.nowMs() });
  const alum = LIBRARY.find('alum-10');
  if (!alum) throw new Error('the library lost its alum');
  const { version: _version, ...copy } = copyMethod(alum, 'alum-shed');
  const params = copy.params.map((param) => (param.key === 'alumPct' ? { ...param, usual: 12 } : { ...param }));
  await addMethod(app, {
    ...copy,
    name: 'Alum, as in the shed',
    school: 'Alum 12 %',
    why: 'Ten was a little pale on this water, sixteen felt harsh.',
    params,
  } as Parameters<typeof addMethod>[1]);
}

/** A cone wound into three skeins, and a ribbon whose weight is a sum. */
async function coneAndRibbon(app: App): Promise<void> {
  await addLot(app, { id: 'cone', ...CONE });
  await addEntry(app, 'cone', {
    id: 'hand-cone-scour',
    kind: 'scour',
    certainty: 'known',
    substance: 'neutral scour liquid',
    wofPct: { state: 'unknown' },
    atMs: app.nowMs() - DAY,
    part: null,
    note: 'Scoured on the cone, loosely wound.',
  });
  const part = (id: string, name: string, value: number) => ({
    id,
    name,
    form: 'skein' as const,
    dryWeightG: { state: 'measured' as const, value },
    pieces: 1,
    note: '',
  });
  await splitLot(app, 'cone', {
    revision: 1,
    parts: [part('skein-a', 'Gotland skein for alum', 30), part('skein-b', 'Gotland skein for iron', 30), part('skein-c', 'Gotland skein, kept bare', 30)],
  });
  await keptBare(app, 'skein-c');
  await addLot(app, { id: 'ribbon', ...RIBBON });
}

/** Petals in the sun on a bag nobody knows: the plan asks whether it is mordanted. */
async function jarSession(app: App, nowMs: number, zone: string): Promise<void> {
  const wall = wallTime(nowMs, zone);
  const tomorrow = zonedMs(zone, wall.year, wall.month, wall.day + 1, 10);
  const chain = chainOf([['wet-out'], ['solar-jar', 'hollyhock'], ['rinse'], ['dry']]);
  await createSession(app, { id: 'hollyhock-jar', draft: draftOf('Hollyhock jar, the bag without a label', tomorrow, ['bag'], chain) });
}

/** Weld over three skeins, a few days ago: a step begun late, a pot that ran away, a hold cut short. */
async function finishedSession(at: At, nowMs: number, zone: string): Promise<void> {
  const wall = wallTime(nowMs - 5 * DAY, zone);
  const startMs = zonedMs(zone, wall.year, wall.month, wall.day, 8, 30);
  const chain = chainOf([
    ['scour-protein'],
    ['alum-10'],
    ['extract-fresh', 'weld'],
    ['strain'],
    ['dyebath'],
    ['rest-overnight'],
    ['rinse'],
    ['dry', null, { dryMin: 1200 }],
  ]);
  const plan = await createSession(at(startMs - 12 * HOUR), { id: 'weld-skeins', draft: draftOf('Weld on Gotland', startMs, ['gotland'], chain) });
  await play(
    at,
    plan,
    'run-weld',
    {
      mordant: { lateMin: 34, amountFactor: 1.12, note: 'The tide was in; fetched water late.' },
      dye: { holdShortMin: 14, overshootK: 4.5 },
    },
    11,
    nowMs - 2 * DAY,
    true,
  );
}

async function plannedSession(app: App, nowMs: number, zone: string): Promise<void> {
  const wall = wallTime(nowMs, zone);
  const saturday = zonedMs(zone, wall.year, wall.month, wall.day + ((6 - wall.weekday + 7) % 7 || 7), 9);
  const chain = chainOf([
    ['scour-cellulose', null, { sodaPct: 2 }],
    ['al-acetate'],
    ['extract-dried', 'dockRoot', { ratio: 1 }],
    ['strain'],
    ['dyebath'],
    ['rest-overnight'],
    ['iron-dip', null, { ironPct: 2 }],
    ['rinse'],
    ['dry'],
  ]);
  await createSession(app, { id: 'dock-jersey', draft: draftOf('Dock root on hemp jersey, saddened', saturday, ['jersey'], chain) });
}
