import { describe, expect, test } from 'vitest';
import { ksOf, overdye, reflectanceOf } from './kubelkaMunk';
import { deltaE00, type Linear, labOfLinear, linearOf } from './lab';

describe('Kubelka–Munk, opaque layer', () => {
  test.each([
    [0.9, 0.005556],
    [0.8, 0.025],
    [0.5, 0.25],
    [0.4, 0.45],
    [0.3, 0.816667],
    [0.2, 1.6],
    [0.1, 4.05],
    [0.05, 9.025],
    [0.02, 24.01],
    [0.01, 49.005],
  ])('R %d is K/S %d, and back', (r, q) => {
    expect(Math.abs(ksOf(r) - q)).toBeLessThan(5e-7);
    expect(Math.abs(reflectanceOf(ksOf(r)) - r)).toBeLessThan(1e-12);
  });
  test('nothing swallowed is white; twice the depth of 0.2 is 0.120784', () => {
    expect(ksOf(1)).toBe(0);
    expect(reflectanceOf(3.2)).toBeCloseTo(0.120784, 6);
  });
  test.each([0, -0.1, 1.01, Number.NaN])('a reflectance of %d is refused', (r) => expect(() => ksOf(r)).toThrow(RangeError));
});

describe('one dye over another', () => {
  const white = linearOf('#f2efe6');
  const yellow = linearOf('#d9b52b');
  const blue = linearOf('#4a6a8f');
  const near = (x: Linear, y: Linear) => deltaE00(labOfLinear(x), labOfLinear(y));
  test('on white it is the dye itself, and white over a colour is that colour', () => {
    expect(near(overdye(white, yellow, white), yellow)).toBeLessThan(0.1);
    expect(near(overdye(blue, white, white), blue)).toBeLessThan(0.1);
  });
  test('which was first does not matter', () => expect(near(overdye(yellow, blue, white), overdye(blue, yellow, white))).toBeLessThan(1e-9));
  test('yellow over blue is a green darker than both', () => {
    const lab = labOfLinear(overdye(blue, yellow, white));
    expect(lab.l).toBeLessThan(Math.min(labOfLinear(blue).l, labOfLinear(yellow).l));
    expect(lab.a).toBeLessThan(0);
  });
});
