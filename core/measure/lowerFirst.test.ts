import { expect, test } from 'vitest';
import { lowerFirst } from './lowerFirst';

test('units and names keep their letters', () => {
  expect(lowerFirst('Pour in about 1 L, then 4 mL')).toBe('pour in about 1 L, then 4 mL');
  expect([lowerFirst(''), lowerFirst('pH')]).toEqual(['', 'pH']);
});
