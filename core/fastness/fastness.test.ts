import { describe, expect, test } from 'vitest';
import type { Lab } from '../colour/lab';
import { foldPassport } from '../fibre/passport';
import type { Look } from '../swatch/look';
import { look } from '../swatch/look.fixture';
import { swatchesOf } from '../swatch/swatch';
import { type FastnessTest, fastnessText, gradesOf, nextLookMs } from './fastness';
import { FASTNESS_PARTS, isBesideCloth } from './parts';

const DAY = 86_400_000;
const BEGAN = 1_000 * DAY;
const light: FastnessTest = {
  id: 't',
  kind: 'light',
  lotId: 'lot',
  beganAtMs: BEGAN,
  lookDays: [7, 14, 28],
  note: 'south window',
  createdAtMs: BEGAN,
  revision: 1,
  withdrawn: null,
};
const read = (part: string, day: number, lab: Lab, corrected = true): Look =>
  look(`${part}${day}`, BEGAN + day * DAY, {
    part,
    colour: { lab, by: corrected ? { kind: 'typed' } : { kind: 'picture', hash: 'h', card: null, spread: 1, leftOut: 0 } },
  });
/** Step 4 of the grey scale of change (ISO 105-A02): 1.7 apart. */
const [FRESH, FADED] = [
  { l: 60, a: 0, b: 0 },
  { l: 61.7, a: 0, b: 0 },
];
const { tested, kept } = FASTNESS_PARTS.light;

describe('a light test', () => {
  const week = [read(kept, 7, FRESH), read(tested, 7, FRESH)];
  const month = [...week, read(kept, 28, FRESH), read(tested, 28, FADED)];
  test('is graded look by look, against the half under the card', () => {
    expect(gradesOf(light, month).map(({ day, change, stain }) => [day, change, stain])).toEqual([
      [7, 5, null],
      [28, 4, null],
    ]);
    expect(fastnessText(light, gradesOf(light, month))).toBe('light: 4 after 28 days');
    expect(fastnessText(light, gradesOf(light, week))).toBe('light: 5 after 7 days, goes on to 28 days');
    expect(fastnessText(light, [])).toBe('light: begun, not looked at yet');
  });
  test('without the covered half nothing is graded, and what was before it began is none of it', () => {
    expect(gradesOf(light, [read(tested, 7, FADED)])).toEqual([]);
    expect(gradesOf(light, [read(kept, -1, FRESH), read(tested, -1, FADED)])).toEqual([]);
  });
  test('holds no lamp against a card', () => {
    expect(gradesOf(light, [...week, read(tested, 28, FADED, false)]).map(({ day }) => day)).toEqual([28]);
  });
  test('asks for its looks in time, and a late one serves all before it', () => {
    expect(nextLookMs(light, [])).toBe(BEGAN + 7 * DAY);
    expect(nextLookMs(light, gradesOf(light, week))).toBe(BEGAN + 14 * DAY);
    expect(nextLookMs(light, gradesOf(light, [read(kept, 20, FRESH), read(tested, 20, FADED)]))).toBe(BEGAN + 28 * DAY);
    expect(nextLookMs(light, gradesOf(light, month))).toBeNull();
    expect(nextLookMs({ ...light, withdrawn: { atMs: 1, reason: 'the card fell' } }, [])).toBeNull();
  });
});

test('a wash test grades the white cloth too', () => {
  const [used, fresh] = FASTNESS_PARTS.wash.cloth ?? ['', ''];
  const wash: FastnessTest = { ...light, kind: 'wash', lookDays: [1] };
  const white = { l: 95, a: 0, b: 2 };
  // Step 3 of the grey scale of staining (ISO 105-A03): 8.5 apart.
  const stained = { l: 86.5, a: 0, b: 2 };
  const looks = [read(FASTNESS_PARTS.wash.kept, 1, FRESH), read(FASTNESS_PARTS.wash.tested, 1, FADED), read(used, 1, stained), read(fresh, 1, white)];
  expect(gradesOf(wash, looks)).toMatchObject([{ change: 4, stain: 3 }]);
  expect(fastnessText(wash, gradesOf(wash, looks))).toBe('wash: 4, white cloth 3 after 1 day');
});

test('a white cloth that lay beside the goods is no colour of theirs', () => {
  const [used] = FASTNESS_PARTS.wash.cloth ?? [''];
  const [swatch] = swatchesOf('lot', foldPassport([]), [read(FASTNESS_PARTS.wash.tested, 1, FADED), read(used, 2, { l: 95, a: 0, b: 2 })]);
  expect(swatch?.colours.map(({ part }) => part)).toEqual(['washed']);
  expect(swatch?.colour?.lab).toEqual(FADED);
  expect([isBesideCloth(used), isBesideCloth('washed'), isBesideCloth(null)]).toEqual([true, false, false]);
});
