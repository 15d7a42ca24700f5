import { expect, test } from 'vitest';
import { parseAct } from './parseAct';
import { spokenLine } from './spokenLine';

test.each([
  ['Pot two, sixty-six degrees.', 'pot 2 66'],
  ['pot 2 66 degrees Celsius', 'pot 2 66 c'],
  ['one hundred and fifty is not below a hundred', '1 hundred and 50 is not below a hundred'],
  ['150 degrees Fahrenheit', '150 f'],
  ['P H four point five', 'ph 4.5'],
  ['p.H. 5.5', 'ph 5.5'],
  ['Stirred.', 'stirred'],
  ['pot three stirred ten minutes ago', 'pot 3 stirred 10 minutes ago'],
  ['66°C', '66c'],
  ['Later twenty minutes', 'later 20 minutes'],
  ['Pot two looked pale, one end more so', 'pot 2 looked pale, one end more so'],
  ['note it smells of hay, still', 'note it smells of hay, still'],
] as const)('“%s” is typed as “%s”', (words, line) => expect(spokenLine(words)).toBe(line));

test.each([
  ['Pot two, sixty-six degrees', { card: 2, what: { act: 'reading', quantity: 'bathC', value: 66 } }],
  ['pH four point five', { card: null, what: { act: 'reading', quantity: 'ph', value: 4.5 } }],
  ['pot one stirred ten minutes ago', { card: 1, agoMin: 10, what: { act: 'stirred' } }],
  ['sixty to sixty-five degrees', { what: { act: 'reading', quantity: 'bathC', value: 62.5 } }],
  ['five litres', { what: { act: 'reading', quantity: 'volumeMl', value: 5000 } }],
  ['lid on', { what: { act: 'heat', hasLid: true } }],
  ['let it go', { what: { act: 'letGo' } }],
] as const)('“%s” is understood', (words, expected) => expect(parseAct(spokenLine(words))).toMatchObject(expected));
