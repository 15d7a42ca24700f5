import { describe, expect, test } from 'vitest';
import { expectedHex } from './expected';
import { deltaE00, labOf } from './lab';
import { UNDYED_HEX } from './undyed';

const WELD = '#d8bc3a';
const MADDER = '#b5452c';
const lOf = (hex: string) => labOf(hex).l;

describe('what a dye may give on the ground that is there', () => {
  test('on undyed fibre it is the dye as it is known', () => {
    expect(deltaE00(labOf(expectedHex(UNDYED_HEX, 'dye', [WELD])), labOf(WELD))).toBeLessThan(0.5);
  });
  test('on grey wool it is darker and duller, and never lighter than the ground', () => {
    const grey = '#8f8b84';
    const onGrey = labOf(expectedHex(grey, 'dye', [WELD]));
    expect(onGrey.l).toBeLessThan(lOf(WELD));
    expect(onGrey.l).toBeLessThan(lOf(grey));
    expect(Math.hypot(onGrey.a, onGrey.b)).toBeLessThan(Math.hypot(labOf(WELD).a, labOf(WELD).b));
  });
  test('red over yellow is darker than either, and lies between them or redder', () => {
    const over = labOf(expectedHex(WELD, 'dye', [MADDER]));
    expect(over.l).toBeLessThan(Math.min(lOf(WELD), lOf(MADDER)));
    expect(over.a).toBeGreaterThan(labOf(WELD).a);
    expect(over.b).toBeGreaterThan(0);
  });
  test('without a plant the ground stays; iron saddens', () => {
    expect(expectedHex(WELD, 'dye', [])).toBe(WELD);
    expect(lOf(expectedHex(WELD, 'iron', []))).toBeLessThan(lOf(WELD));
  });
});
