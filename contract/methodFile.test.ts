import { describe, expect, test } from 'vitest';
import { METHODS } from '@/core/method/library';
import type { Method } from '@/core/method/method';
import { STARTER } from '@/core/shelf/library';
import { METHOD_FORMAT_VERSION, methodInput, readMethodFile, toMethodFile } from './methodFile';

const first = METHODS[0];
if (!first) throw new Error('an empty library');
const body = ({ id: _id, version: _version, ...rest }: Method) => rest;
/** A method file as plain JSON, with some of its method changed. */
const file = (change: object = {}): Record<string, unknown> => {
  const whole = JSON.parse(JSON.stringify(toMethodFile(first))) as Record<string, unknown> & { method: object };
  return { ...whole, method: { ...whole.method, ...change } };
};
const faults = (value: unknown) => {
  const read = readMethodFile(value, STARTER);
  return read.ok ? [] : read.error.map((fault) => `${fault.at}: ${fault.message}`);
};

describe('every method of the library goes out as a file and comes back the same', () => {
  test.each(METHODS.map((method) => [method.id, method] as const))('%s', (_id, method) => {
    const text = JSON.stringify(toMethodFile(method));
    expect(readMethodFile(JSON.parse(text), STARTER)).toEqual({ ok: true, value: body(method) });
    expect(methodInput.parse(body(method))).toEqual(body(method));
  });
});

describe('what is not such a file', () => {
  test.each<[string, unknown, RegExp]>([
    ['a text', 'alum', /no JSON object/],
    ['a list', [], /no JSON object/],
    ['nothing', undefined, /no JSON object/],
    ['an object of another kind', {}, /format: .*“hyndle-method”/],
    [
      'of a newer version',
      { ...file(), formatVersion: METHOD_FORMAT_VERSION + 1 },
      /formatVersion: .*newer version \(format 2; known here: 1\)\. Nothing was taken in/,
    ],
    ['of version nothing', { ...file(), formatVersion: 0 }, /formatVersion/],
    ['of a version in words', { ...file(), formatVersion: 'one' }, /formatVersion/],
    ['without a method', { format: 'hyndle-method', formatVersion: 1 }, /method/],
    ['a method that is a list', { format: 'hyndle-method', formatVersion: 1, method: [] }, /method/],
  ])('%s', (_what, value, says) => expect(faults(value).join('\n')).toMatch(says));
  test('longer than a file may be', () =>
    expect(faults(file({ why: 'x'.repeat(260 * 1024) }))).toEqual(['file: A method file is at most 256 kB. This one is longer.']));
  test('at most twenty faults are told, each at its place', () => {
    const params = Array.from({ length: 40 }, (_, i) => ({ key: `${i} bad key` }));
    const told = faults(file({ params }));
    expect(told).toHaveLength(20);
    expect(told[0]).toMatch(/^method\.params\.0\./);
  });
});

describe('fields of a method, one by one', () => {
  const step = first.steps[0];
  const withStep = (change: object) => file({ steps: [{ ...step, ...change }] });
  const withPhase = (phase: object) => withStep({ phases: [phase] });
  const withAddition = (addition: object) => withStep({ additions: [addition] });
  test.each<[string, unknown, string]>([
    ['no name', file({ name: ' ' }), 'method.name: Give it a name.'],
    ['no school', file({ school: '' }), 'method.school: Say which practice it is.'],
    ['no reason', file({ why: '' }), 'method.why: Say why it is done this way.'],
    ['no step', file({ steps: [] }), 'method.steps: A method has at least one step.'],
    ['a step without work', withStep({ phases: [] }), 'method.steps.0.phases: A step has something to do.'],
    ['an act without words', withPhase({ kind: 'charge', minutes: 5, act: '' }), 'method.steps.0.phases.0.act: Say what to do.'],
  ])('%s', (_what, value, message) => expect(faults(value)).toContain(message));
  test.each<[string, unknown, string]>([
    ['thirteen steps', file({ steps: Array.from({ length: 13 }, () => step) }), 'method.steps'],
    ['a stage nobody knows', file({ stage: 'sorcery' }), 'method.stage'],
    ['a lid nobody knows', withStep({ lid: 'welded' }), 'method.steps.0.lid'],
    ['a phase nobody knows', withPhase({ kind: 'stare' }), 'method.steps.0.phases.0'],
    ['minutes as words', withPhase({ kind: 'charge', minutes: 'ten', act: 'In' }), 'method.steps.0.phases.0.minutes'],
    ['a number that is none', withPhase({ kind: 'charge', minutes: null, act: 'In' }), 'method.steps.0.phases.0.minutes'],
    ['a rule nobody knows', withAddition({ id: 'x', substance: 'alum', rule: 'magic', pct: 2 }), 'method.steps.0.additions.0'],
    ['a ratio of something else than the dyestuff', withAddition({ id: 'x', substance: 'alum', rule: 'ratio', ratio: 2 }), 'method.steps.0.additions.0'],
    ['a key that is no key', withAddition({ id: 'x y', substance: 'alum', rule: 'wofPct', pct: 2 }), 'method.steps.0.additions.0.id'],
    ['a control character in a name', file({ name: 'Alum\u0007' }), 'method.name'],
  ])('%s', (_what, value, at) => expect(faults(value).some((fault) => fault.startsWith(at))).toBe(true));
});

describe('substances', () => {
  const withSubstance = (substance: string) =>
    readMethodFile(file({ steps: [{ ...first.steps[0], additions: [{ id: 'x', substance, rule: 'wofPct', pct: 3 }] }] }), STARTER);
  test.each([
    ['by id', 'alum', 'alum'],
    ['by name', 'potash alum', 'alum'],
    ['by name in any case', 'Potash ALUM', 'alum'],
  ])('%s', (_what, written, id) => {
    const read = withSubstance(written);
    expect(read.ok && read.value.steps[0]?.additions[0]).toMatchObject({ substance: id, rule: 'wofPct', pct: 3 });
  });
  test.each(['Potassium dichromate', 'chrome alum', 'lead acetate', 'Quicklime', 'sulfuric acid'])('%s keeps its words and loses its dose', (written) => {
    const read = withSubstance(written);
    expect(read.ok && read.value.steps[0]?.additions[0]).toEqual({ id: 'x', substance: 'blocked', rule: 'blocked', words: written });
  });
  test('the file that was handed in is left as it is', () => {
    const given = file({ steps: [{ ...first.steps[0], additions: [{ id: 'x', substance: 'Potash alum', rule: 'wofPct', pct: 3 }] }] });
    const before = JSON.stringify(given);
    readMethodFile(given, STARTER);
    expect(JSON.stringify(given)).toBe(before);
  });
});
