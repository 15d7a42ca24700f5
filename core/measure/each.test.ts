import { expect, test } from 'vitest';
import { eachOrAll } from './each';

test.each([
  ['1 tsp each', '1 tsp', 'each'],
  ['1 tsp, each', '1 tsp', 'each'],
  ['5 mL per cup', '5 mL', 'each'],
  ['20 mL in all', '20 mL', 'all'],
  ['20 mL together', '20 mL', 'all'],
  ['20 mL', '20 mL', null],
  ['each', '', 'each'],
] as const)('“%s” is %s for %s', (text, bare, means) => expect(eachOrAll(text)).toEqual({ bare, means }));
