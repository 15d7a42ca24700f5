import { expect, test } from 'vitest';
import { find, indexThings, type Thing } from './find';

const thing = (name: string, words = '', kind = 'lot'): Thing => ({ id: name, kind, name, words, href: `/${name}` });
const index = indexThings([
  thing('Old birch skein', 'wool skein'),
  thing('Birch leaf', 'fresh 10 : 1', 'dyestuff'),
  thing('Gotland lamb', 'wool, mordanted alum, dyed birch'),
  thing('Kumo, spider tie', '', 'word'),
  thing('Rosé ribbon', 'silk'),
]);
const names = (text: string) => find(index, text).map((one) => one.name);

test('first letters of any word suffice, in any order', () => {
  expect(names('bir')).toEqual(['Birch leaf', 'Old birch skein', 'Gotland lamb']);
  expect(names('lamb gotl')).toEqual(['Gotland lamb']);
  expect(names('sk wo')).toEqual(['Old birch skein']);
  expect(names('tie')).toEqual(['Kumo, spider tie']);
  expect(names('rosé')).toEqual(['Rosé ribbon']);
});
test('the middle of a word finds nothing, nor does nothing', () => {
  expect(names('irch')).toEqual([]);
  expect(names('  ')).toEqual([]);
  expect(names('birch copper')).toEqual([]);
});
test('at most as many as asked for', () => expect(find(index, 'b', 2)).toHaveLength(2));
