import { expect, test } from 'vitest';
import { boilingC, pressurePa, vapourPressurePa } from './boiling';

// ISO 2533:1975 pressures; boiling by IAPWS-IF97 region 4 (iapws 1.5.3), tolerance 0.1 °C
test.each([
  [0, 101_325, 99.974],
  [500, 95_460.8, 98.312],
  [1000, 89_874.6, 96.649],
  [1500, 84_556, 94.983],
  [2000, 79_495.2, 93.315],
  [2500, 74_682.5, 91.645],
  [3000, 70_108.5, 89.972],
  [4000, 61_640.2, 86.619],
])('at %d m: %f Pa, boils at %f °C', (m, pa, c) => {
  expect(Math.abs(pressurePa(m) - pa)).toBeLessThan(1);
  expect(Math.abs(boilingC(m) - c)).toBeLessThan(0.01);
});

// IAPWS-IF97 saturation pressures, kPa; tolerance 0.05 %
test.each([
  [20, 2.339],
  [50, 12.352],
  [80, 47.42],
  [95, 84.61],
])('at %d °C water has %f kPa', (c, kPa) => expect(Math.abs(vapourPressurePa(c) / 1000 - kPa) / kPa).toBeLessThan(5e-4));

test('higher up it boils at less', () => {
  for (let m = -400; m < 6000; m += 200) expect(boilingC(m + 200)).toBeLessThan(boilingC(m));
});
