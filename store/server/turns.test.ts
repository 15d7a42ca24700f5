import { expect, test } from 'vitest';
import { Turns } from './turns';

test('so many at once, the others in their order; one that fails gives its turn on', async () => {
  const turns = new Turns(2);
  const ended: number[] = [];
  let [now, most] = [0, 0];
  const work = (i: number) =>
    turns.take(async () => {
      most = Math.max(most, ++now);
      await new Promise((resolve) => setTimeout(resolve, 2));
      now--;
      ended.push(i);
      if (i === 1) throw new Error('no');
    });
  const all = await Promise.allSettled(Array.from({ length: 9 }, (_, i) => work(i)));
  expect([most, ended, all.filter(({ status }) => status === 'rejected')]).toEqual([2, [0, 1, 2, 3, 4, 5, 6, 7, 8], [expect.anything()]]);
});
