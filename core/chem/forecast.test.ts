import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { exactly } from './band';
import { constantsAt } from './constants';
import { type BathNow, dilutionFor, doseFor, forecast, inSteps, type Learnt, learnBuffer, phCurve } from './forecast';
import { phOfSolution, type Solution } from './ph';

const bath = (more: Partial<BathNow> = {}): BathNow => ({
  volumeMl: exactly(4000),
  alkalinityMgL: exactly(100),
  tempC: 25,
  measuredPh: null,
  buffer: [],
  ...more,
});
const pinch = (substance: string, amount: number, strengthPct = 5) => ({ substance, amount: exactly(amount), strengthPct: exactly(strengthPct) });
const likely = (...args: Parameters<typeof forecast>): number => {
  const found = forecast(...args);
  return found.ok ? found.ph.likely : Number.NaN;
};

// Check values D4: mL of 5 % vinegar in 4 L to a pH, by alkalinity in mg/L, CO2 kept in; there C_T is the alkalinity itself.
describe('how much vinegar', () => {
  test.each([
    [50, 5.5, 4.9],
    [50, 4.5, 13.3],
    [100, 5, 14.2],
    [100, 4, 64.1],
    [200, 5.5, 19.4],
    [300, 4.5, 75.2],
  ])('water of %d mg/L to pH %d: %d mL', (alkalinity, ph, mL) => {
    const found = doseFor(bath({ alkalinityMgL: exactly(alkalinity) }), { substance: 'vinegar', strengthPct: exactly(5) }, ph);
    expect(found.ok && Math.abs(found.amount.likely - mL) / mL).toBeLessThan(0.03);
  });
});

// Trade handbook: half a teaspoon of washing soda in some litres reads about 11 (common practice; here by the sum).
test('half a teaspoon of washing soda in 4 L: between 10.5 and 11.5, with the spoon’s own uncertainty in it', () => {
  const found = forecast(bath(), [{ substance: 'washingSoda', amount: { low: 1.9, likely: 2.5, high: 3.1 }, strengthPct: exactly(0) }]);
  // Hard water clears of its chalk, which takes some of the soda with it: that end is lower.
  expect(found.ok && found.ph.low).toBeGreaterThan(9.3);
  expect(found.ok && found.ph.likely).toBeGreaterThan(10.1);
  expect(found.ok && found.ph.high).toBeLessThan(11.5);
  expect(found.ok && found.ph.high - found.ph.low).toBeGreaterThan(0.1);
});

test('dose and forecast are one another’s answer, over random waters and baths', () => {
  const chance = seededChance(11);
  for (let i = 0; i < 2000; i++) {
    const acid = chance() < 0.5;
    const own = bath({
      volumeMl: exactly(50 + chance() * 20_000),
      alkalinityMgL: exactly(chance() * 350),
      measuredPh: chance() < 0.3 ? 6 + chance() * 2 : null,
      buffer: chance() < 0.5 ? [] : [{ pKa: 4 + chance() * 3, eqPerL: chance() * 0.01 }],
    });
    const substance = acid ? (chance() < 0.5 ? 'vinegar' : 'citricAcid') : chance() < 0.5 ? 'sodaAsh' : 'ammonia';
    const target = acid ? 3.6 + chance() * 2 : 8.8 + chance() * 1.4;
    const found = doseFor(own, { substance, strengthPct: exactly(5) }, target);
    expect(found).toMatchObject({ ok: true });
    if (found.ok) expect(Math.abs(likely(own, [pinch(substance, found.amount.likely)]) - target)).toBeLessThan(0.02);
  }
});

test('what is not known makes the answer wider, and the likely one lies in it', () => {
  const wide = forecast(bath({ alkalinityMgL: { low: 20, likely: 100, high: 300 } }), [pinch('vinegar', 20)]);
  const narrow = forecast(bath(), [pinch('vinegar', 20)]);
  if (!wide.ok || !narrow.ok) throw new Error('no figure');
  expect(wide.ph.high - wide.ph.low).toBeGreaterThan(narrow.ph.high - narrow.ph.low);
  expect(wide.ph.low).toBeLessThanOrEqual(wide.ph.likely);
  expect(wide.ph.high).toBeGreaterThanOrEqual(wide.ph.likely);
});

test('what cannot be worked out is said, never a number', () => {
  expect(forecast(bath(), [pinch('alum', 20)])).toMatchObject({ ok: false, why: expect.stringContaining('A strip tells') });
  expect(forecast(bath({ volumeMl: exactly(0) }), [pinch('vinegar', 1)])).toMatchObject({ ok: false });
  expect(doseFor(bath(), { substance: 'vinegar', strengthPct: exactly(5) }, 9)).toMatchObject({ ok: false, why: expect.stringContaining('only goes down') });
  expect(doseFor(bath(), { substance: 'bakingSoda', strengthPct: exactly(0) }, 12)).toMatchObject({
    ok: false,
    why: expect.stringContaining('no further than pH'),
  });
  expect(forecast(bath({ volumeMl: exactly(1) }), [pinch('lye', 1e9)]).ok).toBe(false);
});

test('a hundredth of a gram and fifty kilograms, vinegar as it is', () => {
  expect(likely(bath({ volumeMl: exactly(1000), alkalinityMgL: exactly(0) }), [pinch('citricAcid', 0.01)])).toBeGreaterThan(4);
  expect(likely(bath({ volumeMl: exactly(2_000_000) }), [pinch('sodaAsh', 50_000)])).toBeLessThan(12);
  // Check values D2: vinegar of D4, undiluted, 2.42.
  expect(likely(bath({ volumeMl: exactly(0.001), alkalinityMgL: exactly(0) }), [pinch('vinegar', 1000, 5)])).toBeCloseTo(2.42, 1);
});

test('half, then half of what is left, then the rest', () => {
  expect(inSteps(8)).toEqual([4, 2, 1, 1]);
  expect(inSteps(1.7).reduce((sum, one) => sum + one, 0)).toBeCloseTo(1.7);
});

test('the curve falls with acid, and passes through the forecast', () => {
  const curve = phCurve(bath(), { substance: 'vinegar', strengthPct: exactly(5) }, 60);
  expect(curve).toHaveLength(61);
  for (const [i, point] of curve.entries()) expect(point.ph).toBeLessThanOrEqual(curve[i - 1]?.ph ?? 14);
  expect(curve[20]?.ph).toBeCloseTo(likely(bath(), [pinch('vinegar', 20)]), 6);
});

// Simulated plant baths that the fit does not know: three weak acids and ammonium in random strengths, brought to their pH by soda.
test('after two learnt additions the third is predicted within 0.3 in nine of ten', () => {
  const chance = seededChance(5);
  const constants = constantsAt(25);
  let [good, all] = [0, 0];
  for (let round = 0; round < 200; round++) {
    const plant: Solution = {
      weak: { acetic: chance() * 0.004, citric: chance() * 0.003, tartaric: chance() * 0.002, carbonic: 0.001, ammonium: chance() * 0.002 },
      monovalent: 0,
      divalent: 0.0005,
    };
    // Brought to a pH of 6 to 7 before anything else.
    const start = 6 + chance();
    let [low, high] = [0, 0.1];
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2;
      if (phOfSolution({ ...plant, monovalent: middle }, constants) < start) low = middle;
      else high = middle;
    }
    const ready = { ...plant, monovalent: low };
    const mLEach = 1 + chance() * 2;
    const phAfter = (additions: number) =>
      phOfSolution({ ...ready, weak: { ...ready.weak, acetic: (ready.weak.acetic ?? 0) + (additions * mLEach * 0.05) / 60.052 / 1 } }, constants);
    const readings: Learnt[] = [0, 1].map((n) => ({
      phBefore: phAfter(n),
      phAfter: phAfter(n + 1),
      added: [{ substance: 'vinegar', amount: mLEach, strengthPct: 5 }],
    }));
    const own = { volumeMl: exactly(1000), alkalinityMgL: exactly(50), tempC: 25 };
    const buffer = learnBuffer(own, readings);
    const predicted = likely({ ...own, measuredPh: phAfter(2), buffer }, [pinch('vinegar', mLEach)]);
    all++;
    if (Math.abs(predicted - phAfter(3)) <= 0.3) good++;
  }
  expect(good / all).toBeGreaterThanOrEqual(0.9);
});

describe('how much more water', () => {
  const strong = bath({ alkalinityMgL: exactly(0), measuredPh: 3 });
  test('a strong acid goes up by one for ten times the volume: nine volumes more (definition of pH)', () =>
    expect((dilutionFor(strong, 4) ?? 0) / strong.volumeMl.likely).toBeCloseTo(9, 0));
  test('tap water brings its alkalinity along: far less of it is wanted', () =>
    expect(dilutionFor({ ...strong, alkalinityMgL: exactly(150) }, 4)).toBeLessThan((dilutionFor(strong, 4) ?? 0) / 2));
  test('to where no water brings it, no figure', () => {
    expect(dilutionFor(strong, 2)).toBeNull();
    expect(dilutionFor(strong, 12)).toBeNull();
    expect(dilutionFor({ ...strong, volumeMl: exactly(0) }, 4)).toBeNull();
  });
});

test.each([
  // Check values D2: borax 0.01 m is pH 9.18, tartaric acid 0.05 M is 2.2.
  ['borax', 3.81, 9.18, 0.05],
  ['tartaricAcid', 7.5, 2.2, 0.1],
])('%s, %f g in a litre of soft water: pH %f', (substance, g, ph, off) => {
  const soft = bath({ volumeMl: exactly(1000), alkalinityMgL: exactly(0), measuredPh: null });
  const after = forecast(soft, [{ substance, amount: exactly(g), strengthPct: exactly(0) }]);
  expect(after.ok && Math.abs(after.ph.likely - ph)).toBeLessThan(off);
});

describe('chalk is slow: from nothing dissolved to all that can', () => {
  const soft = bath({ volumeMl: exactly(1000), alkalinityMgL: exactly(20), measuredPh: null });
  test('gentle, whatever goes in (trade handbook section 11: near pH 9; here by the sum)', () => {
    const [little, lots] = [2, 20].map((g) => forecast(soft, [pinch('chalk', g)]));
    if (!little?.ok || !lots?.ok) throw new Error('It can be worked out.');
    expect(lots.ph.likely).toBeCloseTo(little.ph.likely, 2);
    expect(little.ph.likely).toBeGreaterThan(8.3);
    expect(little.ph.likely).toBeLessThan(10);
    expect(little.ph.low).toBeLessThan(8.1);
  });
  test('it takes no bath to where soda does', () =>
    expect(doseFor(soft, { substance: 'chalk', strengthPct: exactly(0) }, 11)).toMatchObject({ ok: false, why: expect.stringContaining('no further than') }));
  test('a strip after chalk teaches nothing of the bath', () =>
    expect(learnBuffer(soft, [{ phBefore: 5, phAfter: 6.5, added: [{ substance: 'chalk', amount: 1, strengthPct: 0 }] }])).toEqual([]));
});

// By a solver of its own, closed, with the tap's own pH: 25 °C.
test('the tap’s own pH counts: baking soda 0.1 g/L in water of 330 mg/L that has pH 7.2 comes to 7.27', () => {
  const found = forecast({ ...bath(), volumeMl: exactly(1000), alkalinityMgL: exactly(330), tapPh: exactly(7.2), tempC: 25 }, [
    { substance: 'bakingSoda', amount: exactly(0.1), strengthPct: exactly(0) },
  ]);
  expect(found.ok && found.ph.likely).toBeCloseTo(7.27, 1);
});
test('chalk may come down or not: lime 0.1 g/L in water of 250 mg/L stands between 7.56, at equilibrium, and 10.15, at once', () => {
  const found = forecast({ ...bath(), volumeMl: exactly(1000), alkalinityMgL: exactly(250), tapPh: exactly(8), tempC: 25 }, [
    { substance: 'slakedLime', amount: exactly(0.1), strengthPct: exactly(0) },
  ]);
  expect(found.ok && found.ph.low).toBeLessThan(7.7);
  expect(found.ok && found.ph.high).toBeGreaterThan(10.0);
});
test('a hot bath of soda reads lower than a cold one, by up to what pure water does', () => {
  const at = (tempC: number) => {
    const found = forecast({ ...bath(), volumeMl: exactly(1000), alkalinityMgL: exactly(20), tapPh: exactly(7.5), tempC }, [
      { substance: 'sodaAsh', amount: exactly(2), strengthPct: exactly(0) },
    ]);
    return found.ok ? found.ph.likely : Number.NaN;
  };
  expect(at(25) - at(80)).toBeGreaterThan(0.7);
  expect(at(25) - at(80)).toBeLessThan(1.5);
});
