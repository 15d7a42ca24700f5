import { expect, test } from 'vitest';
import { labOf } from '../colour/lab';
import { found, inOrder, nearest, type OnWall } from './wall';

const on = (id: string, hex: string | null = null, atMs = 0, more: Partial<OnWall> = {}): OnWall => ({
  id,
  colour: hex ? { lab: labOf(hex) } : null,
  dyes: [],
  atMs,
  words: id,
  ...more,
});
const ids = (swatches: readonly OnWall[]) => swatches.map((swatch) => swatch.id).join(' ');

test('by date the newest first', () => expect(ids(inOrder([on('old', null, 1), on('new', null, 2)], 'date'))).toBe('new old'));
test('by hue from red to blue, greys after them, what nobody read last', () => {
  const all = [
    on('unread', null, 9),
    on('dark grey', '#444444'),
    on('blue', '#3050a0'),
    on('yellow', '#d9b52b'),
    on('red', '#a83a30'),
    on('white', '#f0f0f0'),
    on('green', '#4a8040'),
  ];
  expect(ids(inOrder(all, 'hue'))).toBe('red yellow green blue white dark grey unread');
});
test('by lightness the lightest first', () =>
  expect(ids(inOrder([on('dark', '#222222'), on('light', '#eeeeee'), on('unread', null)], 'lightness'))).toBe('light dark unread'));
test('by dyestuff, undyed last', () =>
  expect(ids(inOrder([on('bare', null), on('w', null, 0, { dyes: ['weld'] }), on('b', null, 0, { dyes: ['birch leaf'] })], 'dyestuff'))).toBe('b w bare'));
test('every typed word must be in it, in any order and case', () => {
  const all = [on('Weld on Gotland, alum'), on('Weld on hemp, iron')];
  expect(ids(found(all, 'IRON weld'))).toBe('Weld on hemp, iron');
  expect(found(all, ' ')).toHaveLength(2);
  expect(found(all, 'madder')).toEqual([]);
});
test('nearest first, with how far it is; what nobody read is not near', () => {
  const near = nearest([on('far', '#204080'), on('unread', null), on('near', '#d8b42c'), on('same', '#d9b52b')], labOf('#d9b52b'));
  expect(near.map(({ swatch }) => swatch.id)).toEqual(['same', 'near', 'far']);
  expect(near[0]?.deltaE).toBe(0);
});
