import { expect, test } from 'vitest';
import { type PadKey, padText } from './padText';

const press = (text: string, ...keys: PadKey[]) => keys.reduce((now, key, i) => padText(now, key, i === 0), text);
const put = (digit: string): PadKey => ({ put: digit });

test('the first digit begins anew, the next ones follow it', () => {
  expect(press('76.2 °C', put('8'), put('2'))).toBe('82');
  expect(press('', put('5'), put('–'), put('6'))).toBe('5–6');
});
test('a step goes on from what stands there, with its unit and no more digits than it has', () => {
  expect(press('76.2 °C', { step: 1 })).toBe('77.2 °C');
  expect(press('76 °C', { step: -1 }, { step: -1 })).toBe('74 °C');
  expect(press('4.5', { step: 0.1 }, { step: 0.1 })).toBe('4.7');
  expect(press('5', { step: 0.1 })).toBe('5.1');
  expect(press('', { step: 1 })).toBe('');
});
test('back takes all of what nobody touched, else one sign', () => {
  expect(press('76.2 °C', { back: true })).toBe('');
  expect(press('76.2 °C', put('8'), put('2'), { back: true })).toBe('8');
});
