import type { Graded } from './fastness';

/** What was tested here of a dyestuff, in a line; "untested here" where nothing was looked at. @param tests of lots that it dyed */
export function testedText(tests: readonly { readonly lot: string; readonly says: string; readonly grades: readonly Graded[] }[]): string {
  const done = tests.filter(({ grades }) => grades.length > 0).map(({ says, lot }) => `${says} (${lot})`);
  return done.length === 0 ? 'untested here' : `tested here: ${done.join('; ')}`;
}

const HEARD: Readonly<Record<'yes' | 'said' | 'no', string>> = {
  yes: 'fugitive by common knowledge, untested here',
  said: 'heard to fade, untested here',
  no: 'untested here',
};

/** A dyestuff's fastness wherever it is named: what was tested here goes before what was heard. @param tests of lots that it dyed */
export function fastnessOfStuff(fugitive: 'yes' | 'said' | 'no', tests: Parameters<typeof testedText>[0]): string {
  return tests.some(({ grades }) => grades.length > 0) ? testedText(tests) : HEARD[fugitive];
}
