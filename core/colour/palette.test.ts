import { expect, test } from 'vitest';
import { cssText, gplText } from './palette';

const COLOURS = [
  { name: 'Weld on Gotland', hex: '#ceb53c' },
  { name: 'Weld on Gotland', hex: '#c0a830' },
  { name: ' Färberkamille;\n}', hex: '#0a0b0c' },
  { name: '染', hex: '#ffffff' },
];

test('as GPL text: a head, then a line a colour', () =>
  expect(gplText('My\nwall', COLOURS).split('\n')).toEqual([
    'GIMP Palette',
    'Name: My wall',
    'Columns: 8',
    '#',
    '206 181  60\tWeld on Gotland',
    '192 168  48\tWeld on Gotland',
    ' 10  11  12\tFärberkamille; }',
    '255 255 255\t染',
    '',
  ]));
test('as CSS: no name breaks out of it, and no two are the same', () =>
  expect(cssText(COLOURS)).toBe(
    ':root {\n  --weld-on-gotland: #ceb53c;\n  --weld-on-gotland-2: #c0a830;\n  --fa-rberkamille: #0a0b0c;\n  --colour: #ffffff;\n}\n',
  ));
