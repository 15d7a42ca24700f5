import { describe, expect, test } from 'vitest';
import { METRIC } from '@/core/measure/measures';
import { printer } from '@/core/measure/printer';
import { WAYS } from '@/core/method/data/ways';
import { LIBRARY } from '@/core/method/library';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import {
  asBefore,
  blankDraft,
  eachInItsOwn,
  itemOfProblem,
  lotTapped,
  movedItem,
  plantsOf,
  wayOf,
  withEntry,
  withExtra,
  withItem,
  withLots,
  withoutExtra,
  withoutItem,
  withoutPlant,
  withPlant,
  withWay,
} from './draft';
import { amountText, phaseText, whyText } from './workingText';

const print = printer(METRIC, 'Europe/Berlin');
const { find } = LIBRARY;
const draft = blankDraft(Date.UTC(2026, 5, 6, 9, 20));
const method = (id: string) => {
  const found = find(id);
  if (!found) throw new Error(id);
  return found;
};

describe('the draft of a session', () => {
  test('begins at the next full hour, with the usual chain in working order', () => {
    expect(new Date(draft.startMs).toISOString()).toBe('2026-06-06T10:00:00.000Z');
    expect(draft.chain.map((item) => item.methodId)).toEqual([
      'scour-protein',
      'alum-10',
      'extract-fresh',
      'strain',
      'dyebath',
      'rest-overnight',
      'rinse',
      'dry',
    ]);
  });
  test('a method added goes to its place in the working order, with an id of its own', () => {
    const more = withItem(draft, method('iron-dip'), find);
    const ids = more.chain.map((item) => item.methodId);
    expect(ids.indexOf('iron-dip')).toBe(ids.indexOf('rinse') - 1);
    expect(new Set(more.chain.map((item) => item.id)).size).toBe(more.chain.length);
  });
  test('items move and leave, but not past the ends', () => {
    expect(movedItem(draft, 'c1', -1)).toBe(draft);
    expect(movedItem(draft, 'c1', 1).chain[1]?.id).toBe('c1');
    expect(withoutItem(draft, 'c3').chain.some((item) => item.id === 'c3')).toBe(false);
  });
  test('an overrule is set and cleared', () => {
    const set = withEntry(draft, 'overrules', 'c2-mordant/alum', 18);
    expect(set.overrules).toEqual({ 'c2-mordant/alum': 18 });
    expect(withEntry(set, 'overrules', 'c2-mordant/alum', null).overrules).toEqual({});
  });
  test('plants come and go, and what was said of them goes with them', () => {
    const item = { id: 'c3', methodId: 'extract-fresh', params: {}, dyestuffId: null };
    const weld = { ...item, ...withPlant(item, 'weld') };
    const two = {
      ...weld,
      ...withPlant(weld, 'madder'),
      plantDetails: { 'dyestuff-2': { form: null, preparation: 'ground' as const, source: null, season: '' } },
    };
    expect(plantsOf(two)).toEqual([
      { id: 'dyestuff', dyestuffId: 'weld' },
      { id: 'dyestuff-2', dyestuffId: 'madder' },
    ]);
    const three = { ...two, ...withPlant(two, 'heather') };
    expect(plantsOf(three).at(-1)?.id).toBe('dyestuff-3');
    expect(withoutPlant(two, 'dyestuff')).toMatchObject({ dyestuffId: 'madder', morePlants: [], plantDetails: { dyestuff: { preparation: 'ground' } } });
    expect(withoutPlant(two, 'dyestuff-2')).toEqual({ morePlants: [], plantDetails: {} });
    expect(withoutPlant(weld, 'dyestuff')).toMatchObject({ dyestuffId: null });
  });
  test('who gets what: a tap makes a step one lot’s alone, further taps let others join, all of them are everybody', () => {
    const three = { ...draft, lotIds: ['a', 'b', 'c'] };
    const of = (one: typeof draft) => one.chain[1]?.lotIds ?? null;
    const onlyB = lotTapped(three, 'c2', 'b');
    expect(of(onlyB)).toEqual(['b']);
    const withC = lotTapped(onlyB, 'c2', 'c');
    expect(of(withC)).toEqual(['b', 'c']);
    const all = lotTapped(withC, 'c2', 'a');
    expect(of(all)).toEqual(['b', 'c', 'a']);
    expect(of(lotTapped(all, 'c2', 'b'))).toEqual(['c', 'a']);
    expect(of(lotTapped(withC, 'c2', 'b'))).toEqual(['c']);
    expect(lotTapped(onlyB, 'c2', 'b')).toBe(onlyB);
    expect(of(lotTapped(onlyB, 'c2', null))).toBeNull();
  });
  test('each lot in its own: the step becomes one a lot, with ids of their own', () => {
    const each = eachInItsOwn({ ...draft, lotIds: ['a', 'b'] }, 'c5');
    expect(each.chain.filter((item) => item.methodId === 'dyebath').map((item) => item.lotIds)).toEqual([['a'], ['b']]);
    expect(new Set(each.chain.map((item) => item.id)).size).toBe(each.chain.length);
  });
  test('a way of working brings its steps and nothing else; the last plan its plants and what went in beside', () => {
    const solar = WAYS.find((way) => way.id === 'solar-jar');
    if (!solar) throw new Error('no jar');
    const jar = withWay(withEntry({ ...draft, name: 'Mine', lotIds: ['a'] }, 'overrules', 'c2-mordant/alum', 5), solar);
    expect([jar.name, jar.lotIds, jar.overrules, wayOf(jar)?.id]).toEqual(['Mine', ['a'], {}, 'solar-jar']);
    const last = { ...withExtra(draft, 'c5-dye', 'chalk'), chain: draft.chain.map((item) => ({ ...item, lotIds: ['x'] })) };
    const again = asBefore(jar, last);
    expect(again.extras).toEqual(last.extras);
    expect(again.chain.every((item) => item.lotIds === null)).toBe(true);
    expect([again.name, again.lotIds]).toEqual(['Mine', ['a']]);
  });
  test('three mordants give each of three lots its own, until somebody says otherwise', () => {
    const way = WAYS.find((one) => one.id === 'three-mordants');
    if (!way) throw new Error('no way');
    const three = withLots(withWay(draft, way), ['a', 'b', 'c']);
    expect(three.chain.slice(0, 4).map((item) => item.lotIds ?? null)).toEqual([['a'], ['b'], ['c'], null]);
    const changed = lotTapped(lotTapped(three, 'c2', 'c'), 'c2', 'b');
    expect(
      withLots(changed, ['b', 'c', 'a'])
        .chain.slice(0, 3)
        .map((item) => item.lotIds ?? null),
    ).toEqual([['b'], ['c'], ['a']]);
  });
  test('something else goes in, and comes out with what was set of it', () => {
    const more = withExtra(withExtra(draft, 'c5-dye', 'chalk'), 'c5-dye', 'vinegar');
    expect(more.extras?.['c5-dye']?.map((one) => one.id)).toEqual(['extra-1', 'extra-2']);
    const set = withEntry(more, 'overrules', 'c5-dye/extra-1', 5);
    const less = withoutExtra(set, 'c5-dye', 'extra-1');
    expect([less.extras?.['c5-dye']?.map((one) => one.substance), less.overrules]).toEqual([['vinegar'], {}]);
  });
  test.each([
    ['chain.1.params.alumPct', 'c2'],
    ['draft.chain.0.methodId', 'c1'],
    ['chain.c5', 'c5'],
    ['steps.c3-extract', 'c3'],
    ['lotIds', null],
  ])('a problem at %s belongs to %s', (at, id) => expect(itemOfProblem(at, draft)).toBe(id));
});

describe('a plan opened', () => {
  const plan = planned([wool('a', 150)]);
  test('why a step is not earlier is a sentence', () => {
    expect(whyText(step(plan, 'mordant').whyNotEarlier, plan, print)).toBe('It follows “Scour”.');
    expect(whyText({ why: 'nobodyHome', fromMs: Date.UTC(2026, 5, 6, 20, 30), toMs: Date.UTC(2026, 5, 7, 5) }, plan, print)).toBe(
      'Nobody is home and awake from Sat 22:30 to Sun 07:00.',
    );
  });
  test('an amount is a figure, its words, or unknown', () => {
    const amount = step(plan, 'mordant').additions[0];
    if (!amount) throw new Error('no alum');
    expect(amountText(amount, print)).toBe('15 g');
    expect(amountText({ ...amount, overruled: 18 }, print)).toBe('18 g');
    const unknown = step(planned([wool('a', null)]), 'mordant').additions[0];
    expect(unknown && amountText(unknown, print)).toBe('unknown');
  });
  test('every phase reads as something to do', () => {
    for (const s of plan.steps) for (const phase of s.phases) expect(phaseText(phase, print)).toMatch(/^[A-Z].{10,}/);
  });
});
