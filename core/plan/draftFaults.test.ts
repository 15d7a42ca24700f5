import { describe, expect, test } from 'vitest';
import { LIBRARY } from '../method/library';
import { STARTER } from '../shelf/library';
import type { ChainItem, Draft } from './draft';
import { draftFaults } from './draftFaults';
import { CHAIN, draft } from './plan.fixture';

const faults = (more: Partial<Draft>) => draftFaults(draft(['a'], more), LIBRARY, STARTER).map((fault) => `${fault.at}: ${fault.message}`);
const item = (more: Partial<ChainItem>): ChainItem => ({ id: 'c1', methodId: 'alum-10', params: {}, dyestuffId: null, ...more });

test('the usual chain has none', () => expect(faults({ chain: CHAIN })).toEqual([]));

describe('each fault is told at its place', () => {
  test.each<[string, ChainItem, string]>([
    ['a method nobody has', item({ methodId: 'alchemy' }), 'chain.0.methodId: This method is not in the library.'],
    ['a version that is not there', item({ methodVersion: 9 }), 'chain.0.methodId: This method is not in the library.'],
    ['a dyestuff nobody has', item({ methodId: 'extract-fresh', dyestuffId: 'moonbeam' }), 'chain.0.dyestuffId: This dyestuff is not on the shelf.'],
    ['a figure it does not have', item({ params: { moonPhase: 3 } }), 'chain.0.params.moonPhase: Alum, low has no parameter “moonPhase”.'],
  ])('%s', (_what, one, says) => expect(faults({ chain: [one] })).toEqual([says]));
  const alum = LIBRARY.find('alum-10')?.params.find((param) => param.unit === '% WOF');
  if (!alum) throw new Error('no alum');
  test.each([
    [alum.min - 0.1, false],
    [alum.min, true],
    [alum.max, true],
    [alum.max + 0.1, false],
    [1e9, false],
    [-5, false],
  ])('%d %% of alum: fine %s', (value, fine) => expect(faults({ chain: [item({ params: { [alum.key]: value } })] })).toHaveLength(fine ? 0 : 1));
  test('unknown is not a fault', () => expect(faults({ chain: [item({ params: { [alum.key]: null } })] })).toEqual([]));
  test('a label that is none of its forms', () =>
    expect(faults({ chain: [item({})], labels: { ironSulfate: 'nonahydrate' } })).toEqual(['labels.ironSulfate: This form is not one of its labels.']));
  test('the second item is named as the second', () =>
    expect(faults({ chain: [item({}), item({ id: 'c2', methodId: 'alchemy' })] })[0]).toMatch(/^chain\.1\.methodId/));
});
