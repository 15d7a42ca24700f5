import { expect, test } from 'vitest';
import type { LiveMessage } from '@/contract/views';
import { concerns } from './concerns';

const changed = (what: Extract<LiveMessage, { kind: 'changed' }>['what'], id = 'x'): LiveMessage => ({ kind: 'changed', what, id });
const event = (type: 'stirred' | 'stepFinished'): LiveMessage => ({
  kind: 'event',
  runId: 'r1',
  event: { id: 'e', type, stepId: 's', atMs: 1, recordedAtMs: 1 },
});

test.each([
  ['/lots', changed('lot'), true],
  ['/lots?ended=yes', changed('lot'), true],
  ['/lots/a', changed('lot', 'b'), true], // a part of it, perhaps
  ['/lots', event('stepFinished'), true],
  ['/lots', event('stirred'), false],
  ['/methods/m1', changed('method', 'm1'), true],
  ['/methods/m1', changed('method', 'm2'), false],
  ['/methods', changed('method', 'm2'), true],
  ['/sessions/s1', changed('session', 's1'), true],
  ['/sessions/s1', changed('session', 's2'), false],
  ['/sessions/s1/plans/2', changed('session', 's1'), true],
  ['/sessions/s1/weigh-out', changed('weigh', 's1'), true],
  ['/sessions/s1/weigh-out', changed('stock'), false],
  ['/sessions/s1/shopping', changed('stock'), true],
  ['/runs/r1/record', event('stirred'), true],
  ['/runs/r2/record', event('stirred'), false],
  ['/runs/r1', event('stirred'), false], // joined to what is there, not fetched again
  ['/stock', changed('lot'), false],
  ['/health', changed('lot'), false],
] as const)('%s after %o: %s', (path, message, expected) => expect(concerns(path, message)).toBe(expected));
