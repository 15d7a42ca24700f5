import { expect, test } from 'vitest';
import { mergedSentences, staysText } from './merged';

const count = (some: object) => ({ added: 0, same: 0, newer: 0, older: 0, different: 0, ...some });

test('one sentence a kind, nothing of what is the same, and a word when that is all', () => {
  expect(
    mergedSentences({ kinds: { lot: count({ added: 2, newer: 1, same: 9 }), stock: count({ different: 1 }), plan: count({ same: 3 }) }, readings: 12 }),
  ).toEqual(['lots: 2 new, 1 newer in the file', 'thing on the shelf: 1 different and kept as here', 'readings: 12 new']);
  expect(mergedSentences({ kinds: { lot: count({ same: 9 }), sent: count({ added: 4 }) }, readings: 0 })).toEqual(['nothing: all of it is here already']);
});

test('what is not named is counted', () => {
  expect(staysText({ kinds: { lot: count({ different: 3 }), stock: count({ different: 1 }) }, stays: ['the lot A', 'the lot B'] })).toBe(
    'the lot A; the lot B; and 2 more',
  );
  expect(staysText({ kinds: { lot: count({ different: 1 }) }, stays: ['the lot A'] })).toBe('the lot A');
});
