import Color from 'colorjs.io';
import { describe, expect, test } from 'vitest';
import { deltaE00, hexOfLab, type Lab, labOf, labOfLinear, linearOf } from './lab';
import { SHARMA } from './sharma.fixture';

describe('CIEDE2000', () => {
  test.each(SHARMA.map((pair, i) => [i + 1, ...pair] as const))('pair %i of Sharma et al. 2005', (_n, x, y, published) => {
    expect(Math.abs(deltaE00(x, y) - published)).toBeLessThan(1e-4);
    expect(Math.abs(deltaE00(x, y) - deltaE00(y, x))).toBeLessThan(1e-12);
    expect(deltaE00(x, x)).toBe(0);
    const second = new Color('lab', [x.l, x.a, x.b]).deltaE(new Color('lab', [y.l, y.a, y.b]), '2000');
    expect(Math.abs(deltaE00(x, y) - second)).toBeLessThan(1e-4);
  });
});

describe('sRGB to Lab (IEC 61966-2-1, CIE 15), D65', () => {
  test.each([
    ['#ffffff', 100, 0, 0],
    ['#ff0000', 53.2371, 80.0901, 67.2033],
    ['#00ff00', 87.7355, -86.1816, 83.1866],
    ['#0000ff', 32.3009, 79.1953, -107.8555],
    ['#ffff00', 97.1386, -21.56, 94.4838],
    ['#808080', 53.585, 0, 0],
    ['#777777', 50.0344, 0, 0],
    ['#8b4513', 37.4684, 26.4391, 40.9842],
    ['#264653', 27.8905, -7.6259, -11.4084],
  ])('%s', (hex, l, a, b) => {
    const lab = labOf(hex);
    for (const [got, want] of [
      [lab.l, l],
      [lab.a, a],
      [lab.b, b],
    ] as const)
      expect(Math.abs(got - want)).toBeLessThan(0.03);
    expect(hexOfLab(lab)).toBe(hex);
    const second = new Color(hex).to('lab-d65').coords.map((coord) => coord ?? 0);
    expect(Math.abs(lab.l - (second[0] ?? 0)) + Math.abs(lab.a - (second[1] ?? 0)) + Math.abs(lab.b - (second[2] ?? 0))).toBeLessThan(0.03);
  });
  test.each([
    [1, 0.000303527],
    [10, 0.00303527],
    [11, 0.003346536],
    [51, 0.033104767],
    [128, 0.2158605],
    [188, 0.502886458],
  ])('code %i in linear light', (code, light) => {
    const two = code.toString(16).padStart(2, '0');
    expect(linearOf(`#${two}${two}${two}`)[0]).toBeCloseTo(light, 9);
  });
  test('every grey is neutral and comes back as itself', () => {
    for (let code = 0; code < 256; code++) {
      const two = code.toString(16).padStart(2, '0');
      const lab = labOf(`#${two}${two}${two}`);
      expect(Math.abs(lab.a) + Math.abs(lab.b)).toBeLessThan(0.01);
      expect(hexOfLab(lab)).toBe(`#${two}${two}${two}`);
    }
  });
  test('the photographer’s grey of 18 % is L* 49.5', () => expect(labOfLinear([0.18, 0.18, 0.18]).l).toBeCloseTo(49.4961, 3));
  test('a colour that no screen shows keeps its Lab and is drawn at the edge', () => {
    const beyond: Lab = { l: 60, a: 0, b: 140 };
    expect(hexOfLab(beyond)).toMatch(/^#[\da-f]{6}$/);
  });
});
