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

test('every word of the trade that people search for is found', () => {
  // Trade handbook, section 0
  const said = (
    'WOF, ratio, % solution, parts, liquor, bath, scour, size, mordant, assistant, tannin, substantive, adjective, pre-, meta-, post-mordant, modifier, after-bath, sadden, ' +
    'extraction, wetting out, strike, level, exhaust bath, exhaust chips, master pot, bundle, barrier, resist, kumo, spider tie, itajime, clamped, fugitive, lightfast, washfast, stop by eye, ' +
    'cure, control, overdye, superwash, skein, hank, top, roving, hankie'
  ).split(', ');
  const names = WORDS.map(([word]) => word.toLowerCase()).join(' | ');
  expect(said.filter((word) => !names.includes(word.toLowerCase()))).toEqual([]);
});
