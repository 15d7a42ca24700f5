import { describe, expect, test } from 'vitest';
import { expectedHex } from '../colour/expected';
import { deltaE00, labOf, linearOf } from '../colour/lab';
import { UNDYED_HEX } from '../colour/undyed';
import type { Treatment } from '../fibre/passport';
import { type DyeResult, dyeResult, learnDyes, ownDyeOf } from './ownDyes';

const WELD = '#d8b43a';
const on = (groundHex: string, hex: string, more: Partial<DyeResult> = {}): DyeResult => ({
  dye: 'weld',
  mordanted: true,
  light: linearOf(hex),
  ground: linearOf(groundHex),
  ...more,
});

describe('what a dyestuff gives here', () => {
  test('one result on undyed fibre is that colour itself, and says nothing of its spread', () => {
    const [own] = learnDyes([on(UNDYED_HEX, WELD)]);
    expect(deltaE00(labOf(own?.hex ?? ''), labOf(WELD))).toBeLessThan(0.5);
    expect(own).toMatchObject({ n: 1, spread: null });
  });

  test('a result on grey wool tells of the dye, not of the wool', () => {
    const grey = '#8a8580';
    const [own] = learnDyes([on(grey, expectedHex(grey, 'dye', [WELD]))]);
    expect(deltaE00(labOf(own?.hex ?? ''), labOf(WELD))).toBeLessThan(2);
  });

  test('a figure of the shelf that is far off is mended by own results: the next guess is nearer', () => {
    const told = '#c98a2e';
    const came = ['#d6b440', '#d0ae3c', '#dcb846'];
    const own = ownDyeOf(learnDyes(came.slice(0, 2).map((hex) => on(UNDYED_HEX, hex))), 'weld', true);
    const off = (hex: string) => deltaE00(labOf(hex), labOf(came[2] ?? ''));
    expect(off(own?.hex ?? '')).toBeLessThan(off(told) / 3);
    expect(own?.n).toBe(2);
    expect(own?.spread).toBeGreaterThan(0);
  });

  test('with a mordant and without are two things', () => {
    const dyes = learnDyes([on(UNDYED_HEX, WELD), on(UNDYED_HEX, '#e0d8b8', { mordanted: false })]);
    expect(dyes).toHaveLength(2);
    expect(ownDyeOf(dyes, 'weld', false)?.n).toBe(1);
    expect(ownDyeOf(dyes, 'madder', true)).toBeNull();
  });
});

describe('which results tell of a dyestuff', () => {
  const treatment = (kind: Treatment['kind'], substance: string): Treatment =>
    ({
      id: `${kind}-${substance}`,
      kind,
      substance,
      certainty: 'known',
      wofPct: { state: 'unknown' },
      atMs: 0,
      part: null,
      note: '',
      from: { hand: true },
    }) as unknown as Treatment;
  const swatch = (kind: 'dye' | 'iron', treatments: Treatment[], state: 'dry' | 'wet' = 'dry') =>
    ({ passport: { treatments }, stage: { key: 'x', kind, atMs: 0 }, colour: { lab: labOf(WELD), by: { kind: 'typed' }, state } }) as unknown as Parameters<
      typeof dyeResult
    >[0];

  test('dry, of one dye, nothing dipped after it', () => {
    const alum = treatment('mordant', 'potash alum');
    const weld = treatment('dye', 'weld');
    expect(dyeResult(swatch('dye', [alum, weld]), null)).toMatchObject({ dye: 'weld', mordanted: true });
    expect(dyeResult(swatch('dye', [weld]), '#888888')).toMatchObject({ mordanted: false, ground: linearOf('#888888') });
    expect(dyeResult(swatch('dye', [alum, weld], 'wet'), null)).toBeNull();
    expect(dyeResult(swatch('dye', [weld, treatment('dye', 'madder')]), null)).toBeNull();
    expect(dyeResult(swatch('iron', [weld, treatment('iron', 'ferrous sulfate')]), null)).toBeNull();
  });
});
