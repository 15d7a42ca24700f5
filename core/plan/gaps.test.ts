import { describe, expect, test } from 'vitest';
import { promiseIn } from '../safety/promises';
import { beforeStart, beforeStartNote } from './beforeStart';
import { gapsOf } from './gaps';
import { CHAIN, planned, wool } from './plan.fixture';

describe('what nobody knows', () => {
  test('a weight: what hangs on it and how to come to know it', () => {
    const [gap] = gapsOf(planned([wool('a', null)]));
    expect(gap).toMatchObject({
      what: 'Wool a: how much it weighs',
      changes: expect.stringContaining('potash alum'),
      close: expect.stringContaining('Weigh it dry'),
    });
  });
  test('a weighed lot leaves what else is not known, each once, the label among it', () => {
    const keys = gapsOf(planned([wool('a', 100)])).map((gap) => gap.key);
    expect(keys.filter((key) => key.startsWith('weight/'))).toEqual([]);
    expect(keys).toContain('label/alum');
    expect(new Set(keys).size).toBe(keys.length);
    expect(gapsOf(planned([wool('a', 100)], { labels: { alum: 'crystals' } })).map((gap) => gap.key)).not.toContain('label/alum');
  });
  test('a ratio that nobody has is a gap of its own, a lot without composition too', () => {
    const chain = CHAIN.map((item) => (item.methodId === 'extract-fresh' ? { ...item, params: { ratio: null } } : item));
    expect(gapsOf(planned([wool('a', 100)], { chain })).some((gap) => gap.what.endsWith('how much weld'))).toBe(true);
    expect(gapsOf(planned([{ ...wool('a', 100), composition: [] }])).some((gap) => gap.key === 'fibre/a')).toBe(true);
  });
});

describe('before the start', () => {
  const items = beforeStart(planned([wool('a', 100)]));
  test('it is made of the goods and the methods at hand', () => {
    expect(items[0]).toContain('Skeins loosened');
    expect(items.some((item) => item.startsWith('Somebody is near while the heat is on'))).toBe(true);
    expect(items.some((item) => item.startsWith('For dyeing only'))).toBe(true);
    expect(items.some((item) => item.includes('tray'))).toBe(false);
    expect(promiseIn(items.join(' '))).toBeNull();
  });
  test('what was ticked and what was not is kept', () =>
    expect(beforeStartNote(['a', 'b'], new Set(['b']))).toBe('Before the start. ticked: b. not ticked: a.'));
});
