import { describe, expect, test } from 'vitest';
import type { ChainItem, Draft } from '@/core/plan/draft';
import { CHAIN, draft, writtenLiquor } from '@/core/plan/plan.fixture';
import { draftInput, homeInput, joinInput, lotInput, splitInput, treatmentInput, vesselInput } from './schemas';
import { liquorInput, ownSubstanceInput, stockInput } from './shelf';

/** What each door takes, and the sentence that says why not. Each bad body differs from a good one in one field. */

interface Schema {
  safeParse(value: unknown): { success: boolean; error?: { issues: readonly { path: readonly PropertyKey[]; message: string }[] } };
}
const said = (schema: Schema, value: unknown): string[] =>
  (schema.safeParse(value).error?.issues ?? []).map((issue) => `${issue.path.join('.')}: ${issue.message}`);
const measured = (value: number) => ({ state: 'measured', value });

const lot = {
  name: 'Gotland',
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  finishes: [],
  dryWeightG: measured(152),
  weightFrom: null,
  pieces: 3,
  baseHex: '#e8e2d2',
  note: '',
};
const vessel = { name: 'Pot', kind: 'pot', litres: 12, material: 'stainless', heatProof: false, heatSourceId: null, probeId: null, dyeOnly: true, order: 1 };
const home = {
  diary: { zone: 'Europe/Berlin', wakeAt: '07:00', sleepAt: '22:30', away: [] },
  altitudeM: 0,
  scales: [],
  probes: [],
  circuitW: null,
  childrenOrPets: false,
  emergencyNumber: '',
  heatSources: [],
};
const stock = {
  substance: 'ironSulfate',
  form: null,
  label: null,
  amount: measured(250),
  unit: 'g',
  countedAtMs: Date.UTC(2026, 5, 6),
  place: '',
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: null,
  note: '',
};
const liquor = { ...writtenLiquor, ph: 6.5 };
const treatment = { id: 't', kind: 'mordant', certainty: 'believed', substance: 'potash alum', wofPct: measured(10), atMs: null, note: '' };
const part = (id: string) => ({ id, name: id, dryWeightG: measured(10), pieces: 1, note: '' });

test('each good body passes', () => {
  for (const [schema, body] of [
    [lotInput, lot],
    [vesselInput, vessel],
    [homeInput, home],
    [stockInput, stock],
    [liquorInput, liquor],
    [treatmentInput, treatment],
    [splitInput, { revision: 1, parts: [part('a'), part('b')] }],
  ] as const)
    expect(said(schema, body)).toEqual([]);
});

describe('a lot', () => {
  test.each<[object, string]>([
    [{ name: '' }, 'name: Give it a name.'],
    [{ dryWeightG: measured(0) }, 'dryWeightG.value: A weight is above 0 g. Leave it unknown if nobody weighed it.'],
    [{ dryWeightG: measured(-5) }, 'dryWeightG.value: A weight is above 0 g. Leave it unknown if nobody weighed it.'],
    [{ dryWeightG: measured(300_000) }, 'dryWeightG.value: That is more than 200 kg.'],
    [
      {
        composition: [
          { fibre: 'wool', pct: 60 },
          { fibre: 'silk', pct: 30 },
        ],
      },
      'composition: The shares of a blend add up to 100 %.',
    ],
    [
      {
        composition: [
          { fibre: 'wool', pct: 50 },
          { fibre: 'wool', pct: 50 },
        ],
      },
      'composition: Name each fibre once.',
    ],
    [{ finishes: ['sized', 'sized'] }, 'finishes: Each finish once.'],
    [{ baseHex: 'cream' }, 'baseHex: Colours are written like #d9b52b.'],
    [{ note: 'x'.repeat(4001) }, 'note: Notes hold up to 4000 characters.'],
    [{ note: 'bell \u0007' }, 'note: Control characters cannot be kept.'],
  ])('change %#', (change, message) => expect(said(lotInput, { ...lot, ...change })).toContain(message));
  test.each<[string, object]>([
    ['unknown weight', { dryWeightG: { state: 'unknown' } }],
    ['unknown composition', { composition: [] }],
    ['unknown finish', { finishes: null }],
    ['unknown colour', { baseHex: null }],
    [
      'a third and two thirds',
      {
        composition: [
          { fibre: 'wool', pct: 33.333 },
          { fibre: 'silk', pct: 66.667 },
        ],
      },
    ],
    ['half a gram', { dryWeightG: measured(0.5) }],
    ['fifty kilograms', { dryWeightG: measured(50_000) }],
  ])('%s is first-class', (_what, change) => expect(said(lotInput, { ...lot, ...change })).toEqual([]));
  test('an unknown weight may not carry a value along', () => expect(said(lotInput, { ...lot, dryWeightG: { state: 'unknown', value: 3 } })).not.toEqual([]));
  test('a body with a field nobody knows is refused, not cut', () => expect(said(lotInput, { ...lot, wieght: 3 })).not.toEqual([]));
});

describe('splitting and joining', () => {
  test.each<[unknown, string]>([
    [{ revision: 1, parts: [part('a')] }, 'parts: Name at least two parts.'],
    [{ revision: 1, parts: [part('a'), part('a')] }, 'parts: Each part has its own id.'],
  ])('%j', (body, message) => expect(said(splitInput, body)).toContain(message));
  test.each<[unknown, string]>([
    [{ id: 'j', name: 'J', form: 'cone', lots: [{ id: 'a', revision: 1 }] }, 'lots: Choose at least two lots.'],
    [
      {
        id: 'j',
        name: 'J',
        form: 'cone',
        lots: [
          { id: 'a', revision: 1 },
          { id: 'a', revision: 1 },
        ],
      },
      'lots: Each lot once.',
    ],
  ])('%j', (body, message) => expect(said(joinInput, body)).toContain(message));
});

describe('vessels and the home', () => {
  test.each<[object, string]>([
    [{ litres: 0 }, 'litres: A vessel holds more than 0 L.'],
    [{ litres: 501 }, 'litres: That is more than 500 L.'],
  ])('%j', (change, message) => expect(said(vesselInput, { ...vessel, ...change })).toContain(message));
  test('a vessel of unknown volume is one', () => expect(said(vesselInput, { ...vessel, litres: null })).toEqual([]));
  test.each<[object, string]>([
    [{ diary: { ...home.diary, zone: 'Mars/Base' } }, 'diary.zone: This time zone is not known. Use a name like Europe/Berlin.'],
    [{ diary: { ...home.diary, wakeAt: '7 am' } }, 'diary.wakeAt: Times are written like 07:00.'],
    [{ scales: [{ id: 's', name: 'S', readsToG: 0, mostG: null }] }, 'scales.0.readsToG: A scale reads to more than 0 g.'],
  ])('%j', (change, message) => expect(said(homeInput, { ...home, ...change })).toContain(message));
});

test.each([
  ['10:00', '01:30'],
  ['00:00', '00:00'],
])('awake from %s to %s is what people say', (wakeAt, sleepAt) => expect(said(homeInput, { ...home, diary: { ...home.diary, wakeAt, sleepAt } })).toEqual([]));

describe('the shelf', () => {
  test.each<[object, string]>([
    [{ label: 'nonahydrate' }, 'label: This form is not one of its labels.'],
    [{ substance: '' }, 'substance: Choose what it is.'],
    [{ amount: measured(-1) }, 'amount.value: An amount is not below 0.'],
    [{ pricePerUnit: -1 }, 'pricePerUnit: A price is not below 0.'],
    [{ ownBulkGPerMl: 25 }, 'ownBulkGPerMl: That is heavier than any powder.'],
  ])('stock %j', (change, message) => expect(said(stockInput, { ...stock, ...change })).toContain(message));
  test('an empty tin is still a tin, and an uncounted one too', () => {
    expect(said(stockInput, { ...stock, amount: measured(0) })).toEqual([]);
    expect(said(stockInput, { ...stock, amount: { state: 'unknown' } })).toEqual([]);
  });
  test.each<[object, string]>([
    [{ ph: 15 }, 'ph: pH lies between 0 and 14.'],
    [{ volumeMl: measured(0) }, 'volumeMl.value: A volume is above 0.'],
    [{ name: '' }, 'name: Give it a name.'],
  ])('a liquor %j', (change, message) => expect(said(liquorInput, { ...liquor, ...change })).toContain(message));
  test('an own plant and an own powder are told apart by their kind', () => {
    const plant = {
      kind: 'dyestuff',
      name: 'Garden tickseed',
      part: 'flower',
      chemistry: 'flavonol',
      mordant: 'needed',
      phSensitive: true,
      fugitive: 'no',
      maxC: 85,
      ratioFresh: 2,
      ratioDried: 1,
      colour: 'orange',
      expectedHex: '#d08020',
    };
    expect(said(ownSubstanceInput, plant)).toEqual([]);
    expect(said(ownSubstanceInput, { ...plant, ratioFresh: 0 })).toContain('ratioFresh: A ratio is above 0.');
    expect(said(ownSubstanceInput, { ...plant, kind: 'assistant' })).not.toEqual([]);
  });
});

describe('a passport entry', () => {
  test.each<[string, object]>([
    ['known', { certainty: 'known' }],
    ['none on purpose', { certainty: 'noneOnPurpose', substance: null, wofPct: { state: 'unknown' } }],
    ['of a part', { part: 'tips' }],
  ])('%s', (_what, change) => expect(said(treatmentInput, { ...treatment, ...change })).toEqual([]));
  test.each<[string, object]>([
    ['a certainty nobody knows', { certainty: 'surely' }],
    ['a kind nobody knows', { kind: 'enchant' }],
    ['a dose below nothing', { wofPct: measured(-1) }],
    ['a date before this century', { atMs: 0 }],
  ])('%s is refused', (_what, change) => expect(said(treatmentInput, { ...treatment, ...change })).not.toEqual([]));
});

test('several plants, what they are like, and amounts that are ranges come through as they were said', () => {
  const chain = (more: Partial<ChainItem>) => CHAIN.map((item) => (item.id === 'c3' ? { ...item, ...more } : item));
  const whole: Draft = draft(['a'], {
    chain: chain({
      morePlants: [{ id: 'dyestuff-2', dyestuffId: 'madder' }],
      plantDetails: { dyestuff: { form: 'dried', preparation: 'chopped', source: 'fallen', season: 'late July' } },
      params: { holdMin: { least: 360, most: 480 } },
    }),
    overrules: { 'c2-mordant/alum': { least: 10, most: 15 } },
    plantAmounts: { 'c3-extract/dyestuff': { by: 'amount', unit: 'mL', known: { least: 750, most: 1000 }, about: false } },
  });
  expect(draftInput.parse(whole)).toMatchObject(whole);
  expect(said(draftInput, { ...whole, chain: chain({ morePlants: [{ id: 'alum', dyestuffId: 'madder' }] }) })).toHaveLength(1);
  expect(said(draftInput, { ...whole, overrules: { x: { least: 15, most: 10 } } })).toHaveLength(1);
});
