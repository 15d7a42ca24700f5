import { describe, expect, test } from 'vitest';
import type { PhaseTemplate } from '../method/method';
import { vessels } from './plan.fixture';
import { type PhaseContext, resolvePhases, startC } from './resolvePhases';

const context = (more: Partial<PhaseContext> = {}): PhaseContext => ({
  params: { low: 80, high: 90, top: 95, t: 60, rate: 1 },
  liquorStartsWarm: false,
  waterMl: 4500,
  vessel: vessels[0] ?? null,
  maxW: 2000,
  boilC: 100,
  ...more,
});
const one = (phase: PhaseTemplate, more: Partial<PhaseContext> = {}) => resolvePhases([phase], context(more))[0];
const at = (param: string) => ({ param });
const raise: PhaseTemplate = { kind: 'raise', toC: at('low'), maxRateCPerMin: at('rate') };
const hold: PhaseTemplate = {
  kind: 'hold',
  lowC: at('low'),
  highC: at('high'),
  ceilingC: at('top'),
  minutes: { min: 30, typical: at('t'), max: 90 },
  stirEveryMin: 15,
  flipAtMin: null,
};

describe('heating up', () => {
  test('no faster than the goods allow: 15 to 80 °C at 1 °C a minute are 65 min', () => expect(one(raise)).toMatchObject({ toC: 80, minutes: 65 }));
  test('a strained liquor is warm: 40 to 80 °C are 40 min', () => {
    expect([startC({ liquorStartsWarm: true }), startC({ liquorStartsWarm: false })]).toEqual([40, 15]);
    expect(one(raise, { liquorStartsWarm: true })).toMatchObject({ minutes: 40 });
  });
  test('without a limit the burner decides: 4.5 L by 2000 W, 65 K × 4.5 kg × 4186 J are 10.2 min before losses', () => {
    const minutes = (one({ ...raise, maxRateCPerMin: null }) as { minutes: number }).minutes;
    expect(minutes).toBeGreaterThanOrEqual(11);
    expect(minutes).toBeLessThanOrEqual(14);
  });
  test('twice the water takes longer; a weaker burner too', () => {
    const min = (more: Partial<PhaseContext>) => (one({ ...raise, maxRateCPerMin: null }, more) as { minutes: number }).minutes;
    expect(min({ waterMl: 9000 })).toBeGreaterThan(min({}));
    expect(min({ maxW: 1000 })).toBeGreaterThan(min({}));
  });
  test.each<[string, Partial<PhaseContext>]>([
    ['the water', { waterMl: null }],
    ['the burner', { maxW: null }],
    ['the pot', { vessel: null }],
  ])('%s unknown: the usual rise of a stove, 1.2 °C a minute', (_what, more) =>
    expect(one({ ...raise, maxRateCPerMin: null }, more)).toMatchObject({ minutes: Math.ceil(65 / 1.2) }),
  );
  test('an unknown target stays unknown, and has a length to plan with', () =>
    expect(one(raise, { params: { low: null, rate: 1 } })).toMatchObject({ toC: null, minutes: 65 }));
  test('already there: it does not take hours', () => expect(one(raise, { params: { low: 10, rate: 1 } })).toMatchObject({ minutes: 1 }));
});

describe('holding', () => {
  test('figures by name are filled in', () =>
    expect(one(hold)).toEqual({
      kind: 'hold',
      bandC: [80, 90],
      ceilingC: 95,
      minutes: { min: 30, typical: 60, max: 90 },
      stirEveryMin: 15,
      flipAtMin: null,
    }));
  test('high up the band stays below the boil', () => {
    const high = one(hold, { boilC: 85 });
    expect(high).toMatchObject({ bandC: [80, 87] });
    expect(one(raise, { boilC: 75 })).toMatchObject({ toC: 72 });
  });
  test('an unknown side leaves no band', () => expect(one(hold, { params: { low: null, high: 90, top: 95, t: 60 } })).toMatchObject({ bandC: null }));
  test.each([
    [20, { min: 20, typical: 20, max: 90 }],
    [120, { min: 30, typical: 120, max: 120 }],
    [null, { min: 30, typical: 60, max: 90 }],
  ])('set to %s min, least ≤ typical ≤ most still holds', (t, minutes) =>
    expect(one(hold, { params: { low: 80, high: 90, top: 95, t } })).toMatchObject({ minutes }),
  );
});

test('acts, dips, soaks, waits and rests keep their words', () => {
  const span = { min: 60, typical: 120, max: 240 };
  expect(
    resolvePhases(
      [
        { kind: 'charge', minutes: at('t'), act: 'In' },
        { kind: 'dip', exactMin: 3, act: 'Into the iron' },
        { kind: 'soak', minutes: span, checkEveryMin: at('t') },
        { kind: 'until', minutes: span, checkEveryMin: at('t'), criterion: 'dark enough' },
        { kind: 'rest', minutes: span, overnightOk: false },
        { kind: 'lift', minutes: 5, act: 'Out' },
      ],
      context(),
    ),
  ).toEqual([
    { kind: 'charge', minutes: 60, act: 'In' },
    { kind: 'dip', exactMin: 3, act: 'Into the iron' },
    { kind: 'soak', minutes: span, checkEveryMin: 60 },
    { kind: 'until', minutes: span, checkEveryMin: 60, criterion: 'dark enough' },
    { kind: 'rest', minutes: span, overnightOk: false },
    { kind: 'lift', minutes: 5, act: 'Out' },
  ]);
});

test('a length that is not set plans as an hour and stays open: nothing of it is short or long', () => {
  const [hold] = resolvePhases(
    [
      {
        kind: 'hold',
        lowC: 70,
        highC: 80,
        ceilingC: null,
        minutes: { min: { param: 'm' }, typical: { param: 'm' }, max: { param: 'm' } },
        stirEveryMin: null,
        flipAtMin: null,
      },
    ],
    { params: { m: null }, liquorStartsWarm: false, waterMl: 3000, vessel: null, maxW: null, boilC: 100 },
  );
  expect(hold).toMatchObject({ minutes: { min: 1, typical: 60, max: 1440, open: true } });
});
