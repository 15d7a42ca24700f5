import { labOf } from '@/core/colour/lab';
import { addFastness } from '@/server/fastness';
import { addLook } from '@/server/looks';
import { addEntry, addLot } from '@/server/lots';
import { addTrial } from '@/server/trials';
import type { At } from './play';

const DAY = 86_400_000;

const measured = (value: number) => ({ state: 'measured' as const, value });
const plain = { part: null, liquorId: null, at: null, light: 'daylight' as const, pictures: [], verdict: {}, note: '' };
const lot = { form: 'cloth' as const, finishes: [], weightFrom: null, pieces: 1, baseHex: '#ece5d6', note: '' };
const linen = { ...lot, composition: [{ fibre: 'linen' as const, pct: 100 }] };
const silk = { ...lot, composition: [{ fibre: 'silk' as const, pct: 100 }], baseHex: '#efe8d8' };

/** A grid that is half looked at, a jar that was looked at daily, and two results that differ in two things. */
export async function shedTrials(at: At, nowMs: number): Promise<void> {
  await grid(at, nowMs);
  await jar(at, nowMs);
  await twoThings(at, nowMs);
  await tests(at, nowMs);
}

const hand = (name: string) => ({ name, how: { kind: 'hand' as const } });
/** By mordant and after-bath; null: nobody looked yet. */
const GRID: readonly (readonly (string | null)[])[] = [
  ['#d9cfa8', '#ddd6b4'],
  ['#c9ab3d', '#cfb455'],
  ['#5d5233', null],
];

async function grid(at: At, nowMs: number): Promise<void> {
  const madeMs = nowMs - 9 * DAY;
  await addLot(at(madeMs), { ...linen, id: 'strips', name: 'Linen strips', dryWeightG: measured(60) });
  const trial = await addTrial(at(madeMs), {
    id: 'weld-afters',
    name: 'Mordant and after-bath on weld',
    question: 'Is the acid after-bath worth its vinegar?',
    factors: [
      { id: 'mordant', name: 'Mordant', levels: ['none', 'alum 10 %', 'iron 4 %'].map(hand) },
      { id: 'after', name: 'After-bath', levels: ['none', 'acid, pH 4'].map(hand) },
    ],
    design: 'full',
    repeats: 1,
    controls: 1,
    pieceG: 5,
    wayId: null,
    dyestuffId: 'weld',
    lotId: 'strips',
  });
  for (const { code, lotId, cell } of trial.pieces) {
    const hex = cell && GRID[cell[0] ?? 0]?.[cell[1] ?? 0];
    if (!hex) continue;
    const atMs = nowMs - 3 * DAY;
    await addLook(at(atMs), { ...plain, id: `look-grid-${code}`, lotIds: [lotId], state: 'dry', colour: { lab: labOf(hex), by: { kind: 'typed' } }, atMs });
  }
}

/** Lightness read daily; day 3 was missed. */
const JAR_L: readonly (number | null)[] = [78, 66, null, 59, 55.5, 53.8];

async function jar(at: At, nowMs: number): Promise<void> {
  const beganMs = nowMs - 6 * DAY;
  await addLot(at(beganMs), { ...silk, id: 'petal-silk', name: 'Silk noil, petal jar', dryWeightG: measured(60) });
  await addEntry(at(beganMs), 'petal-silk', {
    id: 'hand-petal-dye',
    kind: 'dye',
    certainty: 'known',
    substance: 'hollyhock petals',
    wofPct: measured(150),
    atMs: beganMs,
    part: null,
    note: 'In the jar on the sill, mordant left out on purpose.',
  });
  for (const [day, l] of JAR_L.entries()) {
    if (l === null) continue;
    const atMs = beganMs + (day + 0.5) * DAY;
    await addLook(at(atMs), {
      ...plain,
      id: `look-jar-${day}`,
      lotIds: ['petal-silk'],
      state: 'wet',
      colour: { lab: { l, a: 14 + (78 - l) / 4, b: 2 - (78 - l) / 3 }, by: { kind: 'typed' } },
      atMs,
    });
  }
}

/** A wash test that is done, and a light test whose first look is due. */
async function tests(at: At, nowMs: number): Promise<void> {
  const washedMs = nowMs - 10 * DAY;
  await addFastness(at(washedMs), {
    id: 'wash-sash',
    kind: 'wash',
    lotId: 'sash-two',
    beganAtMs: washedMs,
    lookDays: [1],
    note: 'By hand at 30 °C with the olive soap.',
  });
  for (const [i, [part, hex]] of [
    ['not washed', '#b8961f'],
    ['washed', '#bd9f35'],
    ['white cloth, new', '#f2efe6'],
    ['white cloth, washed with it', '#efe9d2'],
  ].entries()) {
    const atMs = washedMs + DAY + i * 60_000;
    await addLook(at(atMs), {
      ...plain,
      part: part ?? null,
      id: `look-wash-${i}`,
      lotIds: ['sash-two'],
      state: 'dry',
      colour: { lab: labOf(hex ?? ''), by: { kind: 'typed' } },
      atMs,
    });
  }
  await addFastness(at(nowMs - 8 * DAY), {
    id: 'light-sash',
    kind: 'light',
    lotId: 'sash-one',
    beganAtMs: nowMs - 8 * DAY,
    lookDays: [7, 14, 21, 28],
    note: 'South window.',
  });
}

async function twoThings(at: At, nowMs: number): Promise<void> {
  const beganMs = nowMs - 16 * DAY;
  for (const [id, name, alum, weld, hex] of [
    ['sash-one', 'Sash, first weld', 10, 50, '#d6bd4e'],
    ['sash-two', 'Sash, second weld', 15, 100, '#b8961f'],
  ] as const) {
    await addLot(at(beganMs), { ...silk, id, name, dryWeightG: measured(40) });
    const past = { certainty: 'known' as const, part: null, note: '' };
    const none = { ...past, certainty: 'noneOnPurpose' as const, substance: null, wofPct: { state: 'unknown' as const }, atMs: null };
    for (const kind of ['scour', 'tannin'] as const) await addEntry(at(beganMs), id, { ...none, id: `hand-${id}-${kind}`, kind });
    await addEntry(at(beganMs), id, { ...past, id: `hand-${id}-alum`, kind: 'mordant', substance: 'potash alum', wofPct: measured(alum), atMs: beganMs });
    await addEntry(at(beganMs), id, { ...past, id: `hand-${id}-weld`, kind: 'dye', substance: 'weld', wofPct: measured(weld), atMs: beganMs + DAY });
    await addLook(at(beganMs + 3 * DAY), {
      ...plain,
      id: `look-${id}`,
      lotIds: [id],
      state: 'dry',
      colour: { lab: labOf(hex), by: { kind: 'typed' } },
      atMs: beganMs + 3 * DAY,
    });
  }
}
