import { expect, test } from 'vitest';
import { reuseDose } from './reuse';

test('12 g for 100 g of wool, 1.2 to 7.2 g still in it: 4.8 to 10.8 g more, or 12 g by the other school', () => {
  expect(reuseDose({ low: 1.2, likely: 3.6, high: 7.2 }, 100, 12)).toEqual({
    fullG: 12,
    leftG: { low: 1.2, likely: 3.6, high: 7.2 },
    topUpG: { low: expect.closeTo(4.8, 9), likely: expect.closeTo(8.4, 9), high: expect.closeTo(10.8, 9) },
  });
});
test('more in it than the next goods want: nothing is missing, and nothing is below 0', () =>
  expect(reuseDose({ low: 20, likely: 30, high: 40 }, 100, 10).topUpG).toEqual({ low: 0, likely: 0, high: 0 }));
