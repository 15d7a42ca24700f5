import { describe, expect, test } from 'vitest';
import type { Draft } from '../plan/draft';
import { planned, step, wool } from '../plan/plan.fixture';
import { foldRun } from './fold';
import { begunFaults } from './theRest';

/** What hangs on a step that has begun cannot be changed by the back door either. */
const plan = planned([wool('a', 100)]);
const mordant = step(plan, 'mordant');
const dye = step(plan, 'dye');
const begun = foldRun(plan.steps, [{ type: 'phaseEntered', stepId: mordant.id, phaseIndex: 0, id: 'e', atMs: 0, recordedAtMs: 0 }]);
const faults = (change: Partial<Draft>) => begunFaults({ ...plan.draft, ...change }, plan, begun).map((fault) => fault.at);

describe('once the mordant has begun', () => {
  const at = [`steps.${mordant.id}`];
  test.each<[string, Partial<Draft>, string[]]>([
    ['nothing changed', {}, []],
    ['another amount of it', { overrules: { [`${mordant.id}/alum`]: 12 } }, at],
    ['another cover of it', { lids: { [mordant.id]: 'sealed' } }, at],
    ['another label of what went into it', { labels: { alum: 'burnt' } }, at],
    ['percents of another weight', { doseOf: 'share' }, at],
    ['the weight that counted anyway, said aloud', { doseOf: 'whole' }, []],
    ['something of a step to come', { lids: { [dye.id]: 'resting' }, overrules: { [`${dye.id}/water`]: 4000 }, labels: { vinegar: 'v5' } }, []],
  ])('%s', (_what, change, expected) => expect(faults(change)).toEqual(expected));

  test('before anything has begun all of it may change', () =>
    expect(begunFaults({ ...plan.draft, doseOf: 'share', lids: { [mordant.id]: 'sealed' } }, plan, foldRun(plan.steps, []))).toEqual([]));
});
