import { expect, test } from 'vitest';
import { faultsByField } from './faults';

const fault = (at: string, message: string) => ({ at, message });

test.each([
  ['a field of the form', [fault('name', 'Give it a name.')], { name: 'Give it a name.' }],
  ['something inside a field', [fault('volumeMl.value', 'A volume is above 0.')], { volumeMl: 'A volume is above 0.' }],
  ['a field that only begins alike', [fault('named', 'Odd.')], { '': 'Odd.' }],
  ['no field of the form', [fault('revision', 'Too old.')], { '': 'Too old.' }],
  [
    'two faults of one field',
    [fault('name', 'Too long.'), fault('name', 'Control characters cannot be kept.')],
    { name: 'Too long. Control characters cannot be kept.' },
  ],
  ['none', [], {}],
])('%s', (_what, errors, expected) => expect(faultsByField(errors, ['name', 'volumeMl'])).toEqual(expected));
