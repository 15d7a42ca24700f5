import { expect, test } from 'vitest';
import { measured } from '../figure';
import { CHAIN, planned, step, wool } from '../plan/plan.fixture';
import { spentText } from '../shelf/spent';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { spentMatter } from './spentMatter';

const plan = planned([wool('a', 100)]);
const [extract, strain] = [step(plan, 'extract'), step(plan, 'strain')];
const after = (of: typeof plan, ...facts: RunFact[]) => afterBefore({}, of, ...facts);
const afterBefore = (gave: Readonly<Record<string, number>>, of: typeof plan, ...facts: RunFact[]) =>
  spentMatter(
    of,
    foldRun(
      of.steps,
      facts.map((fact, i): RunEvent => ({ ...fact, id: `e${i}`, atMs: i, recordedAtMs: i })),
    ),
    gave,
  );
const put = (substance: string, additionId: string | null = null): RunFact => ({
  type: 'addition',
  stepId: extract.id,
  additionId,
  substance,
  amount: measured(200),
  unit: 'g',
});
const strained: RunFact[] = [
  { type: 'phaseEntered', stepId: strain.id, phaseIndex: 0 },
  { type: 'stepFinished', stepId: strain.id },
];
const started: RunFact = { type: 'started', planVersion: 1 };

test('what was put in and strained is there again; what was only planned is not', () => {
  expect(after(plan, started, put('weld'), ...strained)).toEqual([{ stepId: strain.id, dyestuffId: 'weld', uses: 1, isMixed: false, atMs: 3 }]);
  expect(after(plan, started, ...strained)).toEqual([]);
  expect(after(plan, started, put('weld'))).toEqual([]);
});
test('two kinds in one strainer are mixed, and a salt is no matter', () => {
  expect(after(plan, started, put('weld'), put('birchLeaf'), put('alum'), ...strained).map(({ dyestuffId, isMixed }) => [dyestuffId, isMixed])).toEqual([
    ['weld', true],
    ['birchLeaf', true],
  ]);
});
test('what was spent before has given one bath more', () => {
  const again = planned([wool('a', 100)], { chain: CHAIN.map((item) => (item.id === 'c3' ? { ...item, methodId: 'spent-matter' } : item)) });
  const own = step(again, 'extract').additions[0];
  const fact: RunFact = { type: 'addition', stepId: 'c3-extract', additionId: own?.id ?? '', substance: 'weld', amount: measured(90), unit: 'g' };
  expect(after(again, started, fact, ...strained)[0]?.uses).toBe(2);
  expect(afterBefore({ weld: 2 }, again, started, fact, ...strained)[0]?.uses).toBe(3);
  expect(afterBefore({ weld: 2 }, plan, started, put('weld'), ...strained)[0]?.uses).toBe(1);
});
test('it is told by what it gave and how it waits', () => {
  expect(spentText({ uses: 1, keeps: 'drying', isMixed: false, from: null })).toBe('gave 1 bath, drying');
  expect(spentText({ uses: 3, keeps: 'freezer', isMixed: true, from: null })).toBe('gave 3 baths, in the freezer, mixed: most is spent by then');
});
