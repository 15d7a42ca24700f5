import { expect, test } from 'vitest';
import { labOf } from './lab';
import { parseLab } from './parseLab';

test.each([
  ['72.4 3.1 51.9', [72.4, 3.1, 51.9]],
  ['72.4, 3.1, 51.9', [72.4, 3.1, 51.9]],
  ['72,4 3,1 51,9', [72.4, 3.1, 51.9]],
  ['L* 72.4 a* −3.1 b* 51.9', [72.4, -3.1, 51.9]],
  ['L=58; a=22; b=34', [58, 22, 34]],
  ['58, 22, 34', [58, 22, 34]],
  ['0 0 0', [0, 0, 0]],
])('%s', (text, [l, a, b]) => expect(parseLab(text)).toEqual({ ok: true, value: { l, a, b } }));
test.each(['#c9a23a', 'c9a23a', '#C9A23A'])('%s', (text) => expect(parseLab(text)).toEqual({ ok: true, value: labOf('#c9a23a') }));
test('three letters stand for six', () => expect(parseLab('#abc')).toEqual({ ok: true, value: labOf('#aabbcc') }));
test.each(['', 'ochre', '72 3', '72 3 51 9', '101 0 0', '-1 0 0', '50 300 0', '#12345g'])('“%s” is refused in words', (text) =>
  expect(parseLab(text)).toMatchObject({ ok: false, error: expect.stringMatching(/L|hex|a\*/) }),
);
