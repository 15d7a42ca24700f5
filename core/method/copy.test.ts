import { describe, expect, test } from 'vitest';
import { copyMethod, methodFaults } from './copy';
import { LIBRARY, METHODS } from './library';
import type { AdditionRule, Method, Param, StepTemplate } from './method';

const alum = LIBRARY.find('alum-10');
if (!alum) throw new Error('no alum');
const [step] = alum.steps;
const [param] = alum.params;
if (!step || !param) throw new Error('an empty method');
const faults = (change: Partial<Method>) => methodFaults({ ...alum, ...change }).map((fault) => `${fault.at}: ${fault.message}`);
const withParam = (change: Partial<Param>) => faults({ params: alum.params.with(0, { ...param, ...change }) });
const withStep = (change: Partial<StepTemplate>) => faults({ steps: [{ ...step, ...change }] });

test('the library has no faults', () => expect(METHODS.flatMap((method) => methodFaults(method).map((fault) => `${method.id} ${fault.at}`))).toEqual([]));

describe('a copy', () => {
  const copy = copyMethod(alum, 'mine');
  test('has its own id and begins at version 1', () => expect(copy).toMatchObject({ id: 'mine', version: 1, name: 'Alum, low, my way' }));
  test('says where it came from', () => expect(copy.copyOf).toEqual({ id: 'alum-10', version: alum.version }));
  test('is else the same, and can be trusted as much', () => {
    const { id: _i, version: _v, name: _n, copyOf: _c, ...rest } = copy;
    expect(alum).toMatchObject(rest);
    expect(methodFaults(copy)).toEqual([]);
  });
  test('of a copy names the copy', () => expect(copyMethod({ ...copy, version: 4 }, 'mine-too').copyOf).toEqual({ id: 'mine', version: 4 }));
});

describe('figures', () => {
  test('two of one key', () =>
    expect(faults({ params: [...alum.params, param] })).toContain(`params.${alum.params.length}.key: Two figures are called “${param.key}”.`));
  test('the least above the most', () =>
    expect(withParam({ min: 50, max: 10, usual: null })).toEqual([`params.0: ${param.label}: the least is above the most.`]));
  test.each([
    [-1, 1],
    [0, 0],
    [100, 0],
    [140, 1],
  ])('usual %d in 0–100: %d faults', (usual, count) => expect(withParam({ min: 0, max: 100, usual })).toHaveLength(count));
  test('no usual figure at all is allowed: the plan will ask', () => expect(withParam({ usual: null })).toEqual([]));
});

describe('steps', () => {
  test('two of one key', () => expect(faults({ steps: [step, step] })).toContain(`steps.1.key: Two steps are called “${step.key}”.`));
  test('nothing to do', () => expect(withStep({ phases: [] })).toContain(`steps.0.phases: ${step.title} has nothing to do.`));
  test('a figure that the method does not have, wherever it is asked for', () => {
    const ghost = { param: 'ghost' };
    for (const change of [
      { phases: [{ kind: 'charge', minutes: ghost, act: 'In' }] },
      { phases: [{ kind: 'until', minutes: { min: 1, typical: ghost, max: 9 }, checkEveryMin: 1, criterion: 'so' }] },
      { additions: [{ id: 'x', substance: 'alum', rule: 'wofPct', pct: ghost }] },
      { bath: { mLPerG: ghost } },
    ] satisfies Partial<StepTemplate>[])
      expect(withStep(change)).toContain(`steps.0: ${step.title} uses “ghost”, which is not among the figures.`);
  });
});

describe('substances', () => {
  const withRule = (rule: AdditionRule, more: Partial<Method> = {}) => faults({ steps: [{ ...step, additions: [rule] }], ...more });
  test.each(['alum', 'weld', 'ironSulfate'])('%s is known', (substance) => expect(withRule({ id: 'x', substance, rule: 'wofPct', pct: 2 })).toEqual([]));
  test('one that nobody has says what to do', () =>
    expect(withRule({ id: 'x', substance: 'fooic acid', rule: 'gPerL', dose: 2 })).toEqual([
      'steps.0.additions.0.substance: “fooic acid” is not on the shelf. Add it there first, or change the method.',
    ]));
  test('a bath of something unknown', () =>
    expect(withStep({ bath: { mLPerG: 30, of: 'moonwater' } })).toEqual(['steps.0.bath.of: “moonwater” is not on the shelf.']));
  test('a bath of vinegar is one', () => expect(withStep({ bath: { mL: 100, of: 'vinegar' } })).toEqual([]));
  test('blocked words are kept and looked up nowhere', () =>
    expect(withRule({ id: 'x', substance: 'blocked', rule: 'blocked', words: 'chrome, 3 %' })).toEqual([]));
  test('weighing in a dyestuff without asking for one', () =>
    expect(withRule({ id: 'x', substance: 'dyestuff', rule: 'ratio', ratio: 2 }, { needsDyestuff: false })).toEqual([
      'needsDyestuff: It weighs in a dyestuff, so it must ask for one.',
    ]));
});
