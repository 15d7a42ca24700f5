import { expect, test } from 'vitest';
import { estimated, type Figure, measured } from '../figure';
import { CHAIN, planned, step, wool } from '../plan/plan.fixture';
import { FORMS } from '../shelf/forms';
import type { RunEvent, RunFact } from './events';
import { foldRun } from './fold';
import { watersSeen } from './watersSeen';

const FIVE = FORMS.vinegar?.find(({ strengthPct }) => strengthPct === 5)?.id ?? '';
const chain = [...CHAIN.slice(0, 5), { id: 'm', methodId: 'mod-acid-after', params: {}, dyestuffId: null }];
const plan = planned([wool('a', 100)], { chain, labels: { vinegar: FIVE } });
const dip = step(plan, 'modifier');

const seen = (amount: Figure, ph: number, more: { readonly phaseFirst?: boolean; readonly of?: typeof plan } = {}) => {
  const facts: RunFact[] = [
    { type: 'started', planVersion: 1 },
    { type: 'phaseEntered', stepId: dip.id, phaseIndex: 0 },
    { type: 'reading', stepId: dip.id, quantity: 'volumeMl', value: 2000 },
    { type: 'addition', stepId: dip.id, additionId: null, substance: 'vinegar', amount, unit: 'mL' },
    ...(more.phaseFirst ? [{ type: 'phaseEntered', stepId: dip.id, phaseIndex: 1 } as const] : []),
    { type: 'reading', stepId: dip.id, quantity: 'ph', value: ph },
  ];
  const of = more.of ?? plan;
  return watersSeen(
    of,
    foldRun(
      of.steps,
      facts.map((fact, i): RunEvent => ({ ...fact, id: `e${i}`, atMs: i, recordedAtMs: i })),
    ),
  );
};

test('a measured dose in plain water and the strip after it tell of the tap', () => {
  const [water, ...others] = seen(measured(6), 4.6);
  expect(others).toEqual([]);
  expect(water?.likely).toBeGreaterThan(30);
  expect(water?.high).toBeLessThan(300);
});
test('a guess, goods that are in already, and a label that nobody read teach nothing', () => {
  expect(seen(estimated(6), 4.6)).toEqual([]);
  expect(seen(measured(6), 4.6, { phaseFirst: true })).toEqual([]);
  expect(seen(measured(6), 4.6, { of: planned([wool('a', 100)], { chain }) })).toEqual([]);
});
