import { expect, test } from 'vitest';
import { planned, wool } from './plan.fixture';
import { whatChanged } from './whatChanged';

const iron = [{ id: 'f', methodId: 'iron-mordant', params: {}, dyestuffId: null }];

test('a label that was read after the plan was kept answers its stop, and changes what is weighed', () => {
  const kept = planned([wool('a', 100)], { chain: iron });
  const now = planned([wool('a', 100)], { chain: iron, labels: { ironSulfate: 'hepta' } });
  expect(kept.findings.some(({ severity }) => severity === 'stop')).toBe(true);
  expect(whatChanged(kept, now)).toContain('a stop is answered');
  expect(whatChanged(now, kept)).toContain('something to stop for');
});
test('a weight that came later changes amounts; the same facts at another hour change nothing', () => {
  const kept = planned([wool('a', null)]);
  expect(whatChanged(kept, planned([wool('a', 100)]))).toContain('amounts are others');
  const later = planned([wool('a', 100)], { startMs: Date.UTC(2026, 5, 20, 8) });
  expect(whatChanged(planned([wool('a', 100)]), later)).toBeNull();
});
