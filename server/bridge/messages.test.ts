import { describe, expect, it } from 'vitest';
import { readMessage } from './messages';

describe('what comes over the message broker', () => {
  it.each([
    ['82.5', [{ bathC: 82.5 }]],
    [' 82 ', [{ bathC: 82 }]],
    ['{"bathC":82.5}', [{ bathC: 82.5 }]],
    ['{"bathC":82.5,"atMs":1780729200000}', [{ bathC: 82.5, atMs: 1_780_729_200_000 }]],
    ['{"readings":[{"bathC":40},{"bathC":41}]}', [{ bathC: 40 }, { bathC: 41 }]],
  ])('a reading as %s', (payload, readings) => expect(readMessage('probes/long/readings', payload)).toEqual({ kind: 'readings', probeId: 'long', readings }));

  it('that a call was heard', () =>
    expect(readMessage('calls/r1/heard', '{"stepId":"c1-s1","call":"stir"}')).toEqual({ kind: 'heard', runId: 'r1', stepId: 'c1-s1', call: 'stir' }));

  it.each([
    ['probes/long/readings', 'hot', 'neither a number nor JSON'],
    ['probes/long/readings', '', 'neither a number nor JSON'],
    ['probes/long/readings', '{"bathC":"82"}', 'bathC'],
    ['probes/long/readings', '{"bathC":900}', 'bathC'],
    ['probes/long/readings', '[]', 'expected object'],
    ['probes/long/readings', '{"__proto__":1}', 'neither a number nor JSON'],
    ['probes/long/readings', `[${'1,'.repeat(200_000)}1]`, 'bigger than 256 kB'],
    ['calls/r1/heard', '{"stepId":"s","call":"dance"}', 'call'],
    ['calls/r1/heard', '1', 'expected object'],
    ['probes/long', '1', 'Nothing is taken in'],
    ['probes/a/b/readings', '1', 'Nothing is taken in'],
    ['home/x/readings', '1', 'Nothing is taken in'],
  ])('%s with %s is refused in words', (topic, payload, words) => expect(readMessage(topic, payload)).toContain(words));
});
