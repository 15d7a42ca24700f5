import { expect, test } from 'vitest';
import { methodBook } from '../method/library';
import { STARTER } from '../shelf/library';
import { changesAgainst, fibreText, guardText } from './against';
import type { Against, ChainItem } from './draft';

const wool = { composition: [{ fibre: 'wool', pct: 100 }], finishes: [] } as Parameters<typeof fibreText>[0][number];
const silk = { composition: [{ fibre: 'silk', pct: 100 }], finishes: [] } as typeof wool;
const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
const chain = [item('c1', 'scour-protein'), item('c2', 'alum-10'), item('c3', 'dyebath', { dyestuffId: 'weld' })];
const against: Against = {
  runId: 'r',
  name: 'Weld in May',
  chain,
  overrules: {},
  plantAmounts: {},
  extras: {},
  lids: {},
  labels: {},
  doseOf: null,
  fibre: fibreText([wool]),
};
const book = methodBook([]);
const changes = (draft: Partial<Parameters<typeof changesAgainst>[0]>, lots = [wool]) =>
  changesAgainst({ chain, overrules: {}, vessels: {}, ...draft }, against, lots, book, STARTER).map(({ says }) => says);
const alum = book.find('alum-10');
const pct = alum?.params[0];

test('nothing differs from itself, and a figure left as usual is the same as one that says so', () => {
  expect(alum && pct).toBeTruthy();
  expect(changes({})).toEqual([]);
  expect(changes({ chain: chain.with(1, item('c2', 'alum-10', { params: { [pct?.key ?? '']: pct?.usual ?? null } })) })).toEqual([]);
});

test('a figure, with its unit and what it was', () => {
  const other = (pct?.usual ?? 0) + 5;
  const [says, ...more] = changes({ chain: chain.with(1, item('c2', 'alum-10', { params: { [pct?.key ?? '']: other } })) });
  expect(more).toEqual([]);
  expect(says).toContain(`${alum?.name}: ${pct?.label} ${other} ${pct?.unit} instead of ${pct?.usual} ${pct?.unit}`);
});

test('another dyestuff, another fibre, a step more, less, or elsewhere: each is one change', () => {
  expect(changes({ chain: chain.with(2, item('c3', 'dyebath', { dyestuffId: 'madder' })) })).toHaveLength(1);
  expect(changes({}, [silk])).toEqual([`Fibre: ${fibreText([silk])} instead of ${fibreText([wool])}`]);
  expect(changes({}, [wool, wool])).toEqual([]);
  expect(changes({ chain: [...chain, item('c4', 'iron-after')] })).toEqual([expect.stringMatching(/: added$/)]);
  expect(changes({ chain: chain.slice(0, 2) })).toEqual([expect.stringMatching(/: left out$/)]);
  expect(changes({ chain: [chain[1], chain[0], chain[2]] as ChainItem[] })).toEqual(['The order of the steps']);
});

test('what is set by hand counts as well: an amount, a lid, whom a step is for', () => {
  expect(changes({ overrules: { 'c2-mordant/alum': 12 } })).toEqual(['An amount set by hand']);
  expect(changes({ overrules: { a: 1, b: 2 } })).toHaveLength(2);
  expect(changes({ lids: { 'c3-dye': 'sealed' } })).toEqual(['How a pot is covered']);
  expect(changes({ chain: chain.with(1, item('c2', 'alum-10', { lotIds: ['a'] })) })).toEqual([expect.stringContaining('for other lots')]);
});

test('of what percents are, what a label says, a pot by hand', () => {
  expect(changes({ doseOf: 'share' })).toEqual(['What percents are of']);
  expect(changes({ labels: { alum: 'dodecahydrate' } })).toEqual([`${STARTER.nameOf('alum')}: what its label says`]);
  expect(changes({ vessels: { 'c3-dye': 'small' } })).toEqual(['A pot chosen by hand']);
  const older: Against = { ...against, labels: undefined, doseOf: undefined };
  expect(changesAgainst({ chain, overrules: {}, vessels: {}, labels: { alum: 'x' } }, older, [wool], book, STARTER)).toEqual([]);
});

test('the guard counts', () => {
  expect(guardText(against, 0)).toContain('Change one thing');
  expect(guardText(against, 1)).toContain('may be put down to it');
  expect(guardText(against, 2)).toBe('2 things differ from Weld in May: a difference in what comes out can be put down to none of them.');
});
