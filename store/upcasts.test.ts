import { expect, test } from 'vitest';
import { NewerData, type Steps, shapeOf, upcast } from './upcasts';

const steps: Steps = {
  lot: [(row) => ({ ...row, pieces: 1 }), ({ pieces, ...row }) => ({ ...row, count: pieces })],
};
test('a row steps up from its shape to that of today, and no further back than it is', () => {
  expect(shapeOf('lot', steps)).toBe(3);
  expect(upcast('lot', { id: 'a' }, undefined, steps)).toEqual({ id: 'a', count: 1 });
  expect(upcast('lot', { id: 'a', pieces: 7 }, 2, steps)).toEqual({ id: 'a', count: 7 });
  expect(upcast('lot', { id: 'a', count: 7 }, 3, steps)).toEqual({ id: 'a', count: 7 });
  expect(upcast('run', { id: 'r' }, 1, steps)).toEqual({ id: 'r' });
});
test('a shape of a newer version is left alone, in words', () => {
  expect(() => upcast('lot', {}, 4, steps)).toThrow(NewerData);
  expect(() => upcast('run', {}, 2, steps)).toThrow(/newer Hyndle.*nothing here was touched/);
});
