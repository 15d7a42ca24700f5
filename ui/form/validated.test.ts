import { expect, test } from 'vitest';
import { faultsOf } from './validated';

const OVERTAKEN = { errorFields: [], outOfDate: true };
/** Answers one after the other. */
const answers = (...all: readonly (object | null)[]) => {
  let at = 0;
  return { asked: () => at, validate: () => (all[at++] === null ? Promise.resolve() : Promise.reject(all[at - 1])) };
};

test('a check that a newer one overtook is asked again: the tap is not lost', async () => {
  const { asked, validate } = answers(OVERTAKEN, OVERTAKEN, null);
  expect(await faultsOf(validate)).toBeNull();
  expect(asked()).toBe(3);
});
test('faults are told, and end it', async () => {
  const { asked, validate } = answers({ errorFields: [{ errors: ['Give it a name.'] }, { errors: ['At most 20.'] }] }, null);
  expect(await faultsOf(validate)).toBe('Give it a name. At most 20.');
  expect(asked()).toBe(1);
});
test('it does not ask for ever', async () => {
  const { asked, validate } = answers(...Array.from({ length: 20 }, () => OVERTAKEN));
  expect(await faultsOf(validate)).toBe('');
  expect(asked()).toBeLessThan(10);
});
