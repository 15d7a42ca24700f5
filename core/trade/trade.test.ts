import { expect, test } from 'vitest';
import { LIBRARY } from '../method/library';
import { promiseIn } from '../safety/promises';
import { TROUBLES } from './troubles';
import { WORDS } from './words';

test('every trouble says why and what to do, and names a method that is there', () => {
  expect(TROUBLES).toHaveLength(22);
  for (const trouble of TROUBLES) {
    expect(trouble.cause && trouble.remedy, trouble.symptom).toBeTruthy();
    if (trouble.methodId) expect(LIBRARY.find(trouble.methodId), trouble.symptom).toBeDefined();
  }
});
test('no word is told twice, none promises anything', () => {
  expect(new Set(WORDS.map(([word]) => word)).size).toBe(WORDS.length);
  expect(promiseIn(JSON.stringify([WORDS, TROUBLES]))).toBeNull();
});
