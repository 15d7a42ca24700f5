import { z } from 'zod';
import { readingsInput } from '@/contract/schemas';
import { CALL_ACTS } from '@/core/run/events';
import { readJson } from '../readable';

/**
 * What goes over a message broker, below one prefix:
 * - `probes/ID/readings` in: a number in °C, `{"bathC":82.5,"atMs":…}`, or `{"readings":[…]}` as at the door of the probes
 * - `probes/ID/bathC` out, kept: the last temperature
 * - `calls/RUN` out, kept: the calls that are due, nobody having heard them
 * - `calls/RUN/heard` in: `{"stepId":…,"call":…}`, quiet on every device
 */
export const TOPICS = { readings: 'probes/+/readings', heard: 'calls/+/heard' } as const;

export type Message =
  | { readonly kind: 'readings'; readonly probeId: string; readonly readings: z.infer<typeof readingsInput>['readings'] }
  | { readonly kind: 'heard'; readonly runId: string; readonly stepId: string; readonly call: (typeof CALL_ACTS)[number] };

const heard = z.strictObject({ stepId: z.string().min(1).max(140), call: z.enum(CALL_ACTS) });
const MOST_BYTES = 256 * 1024;

/**
 * @param topic below the prefix
 * @returns what it says; a sentence where it cannot be understood
 */
export function readMessage(topic: string, payload: string): Message | string {
  const [group, id, what, ...rest] = topic.split('/');
  if (!id || rest.length > 0) return `Nothing is taken in at ${topic}.`;
  if (payload.length > MOST_BYTES) return `A message at ${topic} is bigger than ${MOST_BYTES / 1024} kB.`;
  let json: unknown;
  try {
    json = readJson(payload);
  } catch {
    return `A message at ${topic} is neither a number nor JSON.`;
  }
  if (group === 'probes' && what === 'readings') {
    const one = typeof json === 'number' ? { readings: [{ bathC: json }] } : json && typeof json === 'object' && 'bathC' in json ? { readings: [json] } : json;
    const read = readingsInput.safeParse(one);
    return read.success ? { kind: 'readings', probeId: id, readings: read.data.readings } : `A message at ${topic}: ${wrong(read.error)}`;
  }
  if (group === 'calls' && what === 'heard') {
    const read = heard.safeParse(json);
    return read.success ? { kind: 'heard', runId: id, ...read.data } : `A message at ${topic}: ${wrong(read.error)}`;
  }
  return `Nothing is taken in at ${topic}.`;
}

const wrong = (error: z.ZodError): string => error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`.trim()).join('; ');
