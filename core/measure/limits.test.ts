import { expect, test } from 'vitest';
import { above, atLeast } from './limits';

test('6 % of any weight from 1 to 600 g is not above 6 %, and is at least 6 %', () => {
  for (let g = 1; g <= 600; g++) {
    const pct = ((g * 6) / 100 / g) * 100;
    expect([g, above(pct, 6), atLeast(pct, 6)]).toEqual([g, false, true]);
  }
});
test('what is really above is above, however little', () => {
  expect(above(6.0001, 6)).toBe(true);
  expect(atLeast(5.9999, 6)).toBe(false);
  expect(above(0.0000001, 0)).toBe(true);
});
