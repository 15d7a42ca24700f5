import { describe, expect, test } from 'vitest';
import { parseAct } from './parseAct';

describe('a line typed at the stove', () => {
  test.each<[string, unknown]>([
    ['2 66 c', { card: 2, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 66 } }],
    ['pot 1 180 F', { card: 1, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 82.2 } }],
    ['82', { card: null, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 82 } }],
    ['5 L', { card: null, agoMin: 0, what: { act: 'reading', quantity: 'volumeMl', value: 5000 } }],
    ['2 stirred', { card: 2, agoMin: 0, what: { act: 'stirred' } }],
    ['1 stirred 10 min ago', { card: 1, agoMin: 10, what: { act: 'stirred' } }],
    ['1 looked still pale 2 d ago', { card: 1, agoMin: 2880, what: { act: 'checked', text: 'still pale' } }],
    ['1 stirred 1 h 30 min ago', { card: 1, agoMin: 90, what: { act: 'stirred' } }],
    ['1 lifted 1 h ago', { card: 1, agoMin: 60, what: { act: 'next' } }],
    ['1 ph 4.5', { card: 1, agoMin: 0, what: { act: 'reading', quantity: 'ph', value: 4.5 } }],
    ['note smells of hay', { card: null, agoMin: 0, what: { act: 'note', text: 'smells of hay' } }],
    ['2 looked pale still', { card: 2, agoMin: 0, what: { act: 'checked', text: 'pale still' } }],
    ['rolled loosely', { card: null, agoMin: 0, what: { act: 'rolled', tightness: 'loosely', hasBarrier: null } }],
    ['2 rolled tight, no barrier', { card: 2, agoMin: 0, what: { act: 'rolled', tightness: 'tightly', hasBarrier: false } }],
    ['roll with a barrier 5 min ago', { card: null, agoMin: 5, what: { act: 'rolled', tightness: null, hasBarrier: true } }],
    ['2 60-65 c', { card: 2, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 62.5, said: { as: 'between', low: 60, high: 65 } } }],
    ['4 to 5 L', { card: null, agoMin: 0, what: { act: 'reading', quantity: 'volumeMl', value: 4500, said: { as: 'between', low: 4000, high: 5000 } } }],
    ['1 ph between 5 and 6', { card: 1, agoMin: 0, what: { act: 'reading', quantity: 'ph', value: 5.5, said: { as: 'between', low: 5, high: 6 } } }],
    ['about 40', { card: null, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 40, said: { as: 'about' } } }],
    ['4 c', { card: null, agoMin: 0, what: { act: 'reading', quantity: 'bathC', value: 4 } }],
  ])('%s', (line, expected) => expect(parseAct(line)).toEqual(expected));

  test('a bare number is what the dyer’s thermometer says', () => {
    expect(parseAct('2 150', 'F')?.what).toEqual({ act: 'reading', quantity: 'bathC', value: 65.6 });
    expect(parseAct('2 66 c', 'F')?.what).toEqual({ act: 'reading', quantity: 'bathC', value: 66 });
    expect(parseAct('140–149', 'F')?.what).toMatchObject({ said: { as: 'between', low: 60, high: 65 } });
  });

  test.each(['1 ph at least 5', '1 60-', '6-5 c', '', '1 stirred a while ago', 'hello', '2 66 bushels', 'note', '1 ph acid', 'rolled', 'rolled somehow'])(
    '“%s” is not understood, and nothing is guessed',
    (line) => expect(parseAct(line)).toBeNull(),
  );
});
