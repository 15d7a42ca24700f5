import { describe, expect, test } from 'vitest';
import { type PhAim, phAimText, phSaid, phStanding } from './phAim';
import { planned, wool } from './plan.fixture';
import { phAimOf } from './resolveAim';

describe('a reading against its aim (trade handbook T53, T54; common practice, no source)', () => {
  const acid: PhAim = { low: 4, high: 5 };
  test.each([
    [6.5, 'notYet'],
    [6, 'notYet'],
    [5.1, 'notYet'],
    [5, 'within'],
    [4, 'within'],
    [4.5, 'within'],
    [3.99, 'overshot'],
    [3.4, 'overshot'],
  ] as const)('pH %d against 4 to 5 is %s', (ph, standing) => expect(phStanding(acid, ph)).toBe(standing));

  test.each([
    [7.5, 'notYet'],
    [9, 'within'],
    [10, 'within'],
    [12, 'overshot'],
  ] as const)('an alkaline aim is come to from the other side: pH %d against 9 to 10 is %s', (ph, standing) =>
    expect(phStanding({ low: 9, high: 10 }, ph)).toBe(standing),
  );

  test('an end may be open', () => {
    expect(phStanding({ low: null, high: 5 }, 1)).toBe('within');
    expect(phStanding({ low: null, high: 5 }, 6)).toBe('notYet');
    expect(phStanding({ low: 9, high: null }, 14)).toBe('within');
    expect(phStanding({ low: 9, high: null }, 8)).toBe('notYet');
  });

  test('4.6 worked out as 4.1 + 0.5 still meets an aim of 4.6', () => expect(phStanding({ low: 4.1 + 0.5, high: 4.6 }, 4.6)).toBe('within'));
});

describe('a method’s aim with its figures', () => {
  const aim = { low: { param: 'phLow' }, high: { param: 'phHigh' } };
  test.each([
    [{ phLow: 4, phHigh: 5 }, { phAim: { low: 4, high: 5 } }],
    [{ phLow: 5, phHigh: 4 }, { phAim: { low: 4, high: 5 } }],
    [{ phLow: null, phHigh: 5 }, { phAim: { low: null, high: 5 } }],
    [{ phLow: null, phHigh: null }, {}],
  ])('%j', (params, expected) => expect(phAimOf(aim, params)).toEqual(expected));
  test('a method without one has none', () => expect(phAimOf(undefined, {})).toEqual({}));
  test('the blossom extract of the library is aimed at 4 to 5 and may be aimed elsewhere; a modifier has none until one is typed', () => {
    const chain = (params: Record<string, number>) => [
      { id: 'x', methodId: 'extract-blossom', params, dyestuffId: 'ocotillo' },
      { id: 'm', methodId: 'mod-acid-after', params: {}, dyestuffId: null },
    ];
    const aims = (params: Record<string, number>) => planned([wool('a', 100)], { chain: chain(params) }).steps.map((one) => one.phAim);
    expect(aims({})).toEqual([{ low: 4, high: 5 }, undefined]);
    expect(aims({ phHigh: 4.5 })[0]).toEqual({ low: 4, high: 4.5 });
  });
});

test('an aim and a reading in words', () => {
  expect([phAimText({ low: 4, high: 5 }), phAimText({ low: null, high: 5 }), phAimText({ low: 9, high: null }), phAimText({ low: 7, high: 7 })]).toEqual([
    '4 to 5',
    '5 or less',
    '9 or more',
    '7',
  ]);
  expect(phSaid({ low: 4, high: 5 }, 6.2)).toContain('pH 6.2, not yet 4 to 5: an eighth of a teaspoon');
  expect(phSaid({ low: 4, high: 5 }, 3.4)).toContain('overshot 4 to 5: dilute it');
  expect(phSaid({ low: 4, high: 5 }, 4)).toBe('pH 4 is where it shall be, 4 to 5');
});
