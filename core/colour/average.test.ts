import { expect, test } from 'vitest';
import { averageHex } from './average';

const black = [0, 0, 0, 255];
const white = [255, 255, 255, 255];
// IEC 61966-2-1 / CIE 15: pixels average in linear light
test('half black and half white is 188, not 128', () => expect(averageHex([...black, ...white])).toBe('#bcbcbc'));
test('one colour is itself', () => expect(averageHex([139, 69, 19, 255, 139, 69, 19, 255])).toBe('#8b4513'));
test('what is transparent does not count; nothing at all has no colour', () => {
  expect(averageHex([...white, 0, 0, 0, 0])).toBe('#ffffff');
  expect(averageHex([0, 0, 0, 0])).toBeNull();
});
