import { describe, expect, test } from 'vitest';
import { labOf } from '../colour/lab';
import { foldPassport, type Treatment } from '../fibre/passport';
import { measured, UNKNOWN } from '../figure';
import { beside, besideText } from './beside';
import { colourByText, isEmpty, type Look, verdictText } from './look';
import { look } from './look.fixture';
import { looksByLot, type SeenColour, seenDry, stepOfResult, swatchDetail, swatchesOf, swatchName } from './swatch';

const DAY = 86_400_000;
const treat = (kind: Treatment['kind'], substance: string, atMs: number, more: Partial<Treatment> = {}): Treatment => ({
  id: `${kind}-${atMs}`,
  kind,
  certainty: 'known',
  substance,
  wofPct: UNKNOWN,
  atMs,
  note: '',
  from: { run: 'r', stepId: `${kind}-${atMs}` },
  ...more,
});
const typed = (hex: string): Look['colour'] => ({ lab: labOf(hex), by: { kind: 'typed' } });
const weld = treat('dye', 'weld', 10 * DAY, { wofPct: measured(1000), how: { inMin: 39, draw: 2 } });
const iron = treat('iron', 'ferrous sulfate', 12 * DAY);
const past = foldPassport([
  treat('scour', 'neutral scour', DAY),
  treat('mordant', 'potash alum', 5 * DAY, { wofPct: measured(12) }),
  weld,
  treat('rinse', 'water', 11 * DAY),
  iron,
]);

describe('looks become results', () => {
  test('one result after each treatment that changes the colour; a rinse makes none', () => {
    const all = swatchesOf('lot', past, [
      look('bare', 2 * DAY),
      look('alum', 6 * DAY),
      look('wet', 10 * DAY, { state: 'wet' }),
      look('dry', 11.5 * DAY),
      look('saddened', 13 * DAY),
    ]);
    expect(all.map(({ stage, looks }) => [stage.kind, looks.map((one) => one.id).join()])).toEqual([
      ['base', 'bare'],
      ['mordant', 'alum'],
      ['dye', 'wet,dry'],
      ['iron', 'saddened'],
    ]);
    expect(all.map((swatch) => swatchName(swatch))).toEqual(['Undyed', 'Potash alum only', 'Weld', 'Weld, ferrous sulfate']);
    expect(all[2] && swatchDetail(all[2])).toBe('10 : 1, 39 min, use 2');
    expect(all[2]?.passport.treatments.map((one) => one.kind)).toEqual(['scour', 'mordant', 'dye']);
    expect(all[0]?.passport.treatments.map((one) => one.kind)).toEqual(['scour']);
  });
  test('a look into a jar that still steeps belongs to that jar, and stays with it when it is done', () => {
    const jar = look('day 2', 3 * DAY, { at: { runId: 'r', stepId: 'jar' }, step: { title: 'Hollyhock jar', treatment: 'dye' } });
    const before = swatchesOf('lot', foldPassport([treat('mordant', 'alum', DAY)]), [jar]);
    expect(before.map((one) => [one.stage.key, swatchName(one)])).toEqual([['r/jar', 'Hollyhock jar']]);
    const done = treat('dye', 'hollyhock', 7 * DAY, { from: { run: 'r', stepId: 'jar' } });
    const after = swatchesOf('lot', foldPassport([treat('mordant', 'alum', DAY), done]), [jar, look('dry', 9 * DAY)]);
    expect(after.map((one) => [one.stage.key, one.looks.length, swatchName(one)])).toEqual([['r/jar', 2, 'Hollyhock']]);
    expect(after[0]?.id).toBe(before[0]?.id);
  });
  test('what is only unknown, or left out on purpose, is no treatment', () => {
    const nothing = foldPassport([
      treat('mordant', 'alum', DAY, { certainty: 'noneOnPurpose', substance: null }),
      treat('dye', 'weld', DAY, { certainty: 'unknown' }),
    ]);
    expect(swatchesOf('lot', nothing, [look('a', 2 * DAY)])[0]?.stage.kind).toBe('base');
  });
  test('the driest stands for it, corrected before uncorrected, whole before a part, then the newest; withdrawn ones never', () => {
    const seen = (id: string, atMs: number, more: Partial<Look>) => look(id, atMs, { colour: typed('#aa8833'), ...more });
    const camera: Look['colour'] = { lab: labOf('#aa8833'), by: { kind: 'picture', hash: 'h', card: null, spread: 1, leftOut: 0 } };
    const stands = (...looks: Look[]) => swatchesOf('lot', past, looks)[0]?.colour?.lookId;
    expect(stands(seen('dry', 20 * DAY, {}), seen('wet later', 21 * DAY, { state: 'wet' }))).toBe('dry');
    expect(stands(seen('typed', 20 * DAY, {}), seen('camera', 21 * DAY, { colour: camera }))).toBe('typed');
    expect(stands(seen('old', 20 * DAY, {}), seen('new', 21 * DAY, {}))).toBe('new');
    expect(stands(seen('whole', 20 * DAY, {}), seen('half', 21 * DAY, { part: 'left half' }))).toBe('whole');
    expect(stands(seen('right', 20 * DAY, {}), seen('wrong', 21 * DAY, { changes: [{ kind: 'withdrawn', atMs: 22 * DAY, reason: 'another lot' }] }))).toBe(
      'right',
    );
  });
  test('the newest word on each question stands', () => {
    const [one] = swatchesOf('lot', past, [
      look('a', 20 * DAY, { verdict: { depth: 'paler', even: 'even' } }),
      look('b', 21 * DAY, { verdict: { depth: 'asWanted' } }),
    ]);
    expect(one?.verdict).toEqual({ depth: 'asWanted', even: 'even' });
  });
  test('two hundred looks fold', () => {
    const many = Array.from({ length: 200 }, (_, i) => look(`l${i}`, (20 + i) * DAY, { colour: typed('#aa8833') }));
    expect(swatchesOf('lot', past, many)[0]?.colours).toHaveLength(200);
  });
});

describe('side by side', () => {
  const seen = (hex: string, more: Partial<SeenColour> = {}): SeenColour => ({
    lab: labOf(hex),
    by: { kind: 'typed' },
    lookId: 'l',
    atMs: 0,
    state: 'dry',
    light: 'daylight',
    part: null,
    ...more,
  });
  const uncorrected: SeenColour['by'] = { kind: 'picture', hash: 'h', card: null, spread: 1, leftOut: 0 };
  test('like beside like needs no word', () => {
    expect(beside(seen('#d9b52b'), seen('#8b5a2b', { state: 'cured' }))).toMatchObject({ comparable: true, doubts: [] });
    expect(besideText(beside(seen('#d9b52b'), seen('#d9b52b')))).toBe('no difference that an eye can see · ΔE 0.0 · nobody can tell them apart');
  });
  // T82
  test.each<[string, Partial<SeenColour>, Partial<SeenColour>, boolean, RegExp]>([
    ['wet beside dry', { state: 'wet' }, {}, false, /dries paler/],
    ['rinsed beside dry', { state: 'rinsed' }, {}, false, /dries paler/],
    ['nobody said', { state: null }, {}, false, /Nobody said/],
    ['corrected beside not', {}, { by: uncorrected }, true, /not: the light/],
    ['lamp beside daylight', { by: uncorrected, light: 'lamp' }, { by: uncorrected }, true, /light was not the same/],
    ['by eye', { by: { kind: 'eye' } }, { by: { kind: 'eye' } }, true, /Judged by eye/],
  ])('%s is said', (_what, a, b, comparable, says) => {
    const two = beside(seen('#d9b52b', a), seen('#8b5a2b', b));
    expect(two.comparable).toBe(comparable);
    expect(two.doubts.join(' ')).toMatch(says);
  });
});

describe('a look in words', () => {
  test('what was tapped', () => {
    expect(verdictText({ depth: 'paler', even: 'blotchedOnPurpose', bled: 'unsure', next: 'twice the leaf' })).toBe(
      'paler than wanted, blotched on purpose, may have bled, next: twice the leaf',
    );
    expect(verdictText({})).toBe('');
  });
  test('how a colour was got', () => {
    expect(colourByText({ kind: 'picture', hash: 'h', card: { kind: 'grey' }, spread: 1, leftOut: 0 })).toBe('from a picture, corrected by a grey card');
    expect(colourByText({ kind: 'picture', hash: 'h', card: null, spread: 1, leftOut: 0 })).toBe('from a picture, not corrected');
  });
  test('nothing said and nothing shown is no look', () => {
    expect(isEmpty(look('a', 0, { verdict: { next: '' } }))).toBe(true);
    expect(isEmpty(look('a', 0, { verdict: { bled: 'no' } }))).toBe(false);
  });
});

test('a lot has the colour that was read last, dry and whole; wet ones, parts and withdrawn ones never', () => {
  const at = (id: string, hex: string, atMs: number, more: Partial<Look> = {}) => look(id, atMs, { colour: typed(hex), ...more });
  const looks = [
    at('old', '#111111', 1),
    at('new', '#222222', 2),
    at('wet', '#333333', 3, { state: 'wet' }),
    at('half', '#444444', 4, { part: 'left half' }),
    at('gone', '#555555', 5, { changes: [{ kind: 'withdrawn', atMs: 6, reason: 'no' }] }),
  ];
  expect(seenDry(looks)).toEqual(labOf('#222222'));
  expect(seenDry([])).toBeNull();
});

test('a look at several lots is a look at each', () => {
  const byLot = looksByLot([look('a', 1, { lotIds: ['x', 'y'] }), look('b', 2, { lotIds: ['y'] }), look('c', 3, { lotIds: [] })]);
  expect([...byLot].map(([lotId, looks]) => [lotId, looks.map((one) => one.id).join()])).toEqual([
    ['x', 'a'],
    ['y', 'a,b'],
  ]);
});

test.each([
  ['gotland~run-weld/c4-dye', { runId: 'run-weld', stepId: 'c4-dye' }],
  ['gotland~base', null],
  ['gotland~hand-entry', null],
])('the result %s came out of %j', (id, step) => expect(stepOfResult(id)).toEqual(step));
