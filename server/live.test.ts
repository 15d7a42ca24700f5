import { expect, test } from 'vitest';
import type { LiveMessage } from '@/contract/views';
import { LiveFeed } from './live';

const changed: LiveMessage = { kind: 'changed', what: 'lot', id: 'towels' };
const readings: LiveMessage = { kind: 'readings', probeId: 'long', readings: [] };

test('messages are numbered without a gap, readings excepted; who has left hears nothing', () => {
  const feed = new LiveFeed(1000);
  const heard: number[] = [];
  const leave = feed.listen((_message, seq) => heard.push(seq));
  feed.publish(changed);
  feed.publish(readings);
  feed.publish(changed);
  leave();
  feed.publish(changed);
  expect(heard).toEqual([1001, 1001, 1002]);
  expect(feed.seq).toBe(1003);
  expect(feed.size).toBe(0);
});
