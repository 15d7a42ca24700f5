import { describe, expect, test } from 'vitest';
import { holdingW, secondsTo, steadyC, temperatureAfter } from './pot';
import { probeReadsC, type SimPot, simPotC, turnKnobs } from './simPot';

const pot = { litres: 10, uaWPerK: 10, roomC: 20, boilC: 200 };

// checks.md C3: analytic values, cross-checked there by solve_ivp. m 10 kg, c 4186, UA 10 W/K, P 1500 W, T_e 20, T0 15.
describe('heating a lumped pot', () => {
  test.each([
    [10, 35.6981],
    [20, 53.6323],
    [30, 69.1716],
    [40, 82.6358],
  ])('after %d min it is at %f °C', (min, c) => expect(temperatureAfter(pot, 15, 1500, min * 60)).toBeCloseTo(c, 3));
  test('85 °C after 2514.84 s; steady at 170 °C; 650 W hold 85 °C', () => {
    expect(secondsTo(pot, 15, 85, 1500)).toBeCloseTo(2514.84, 1);
    expect(steadyC(pot, 1500)).toBe(170);
    expect(holdingW(pot, 85)).toBe(650);
  });
  test('a burner too weak never gets there, and says so', () => expect(secondsTo(pot, 15, 85, 500)).toBeNull());
});

// checks.md C3, cooling: T0 85, T_e 20, τ 2 h
test.each([
  [0.5, 70.6221],
  [1, 59.4245],
  [2, 43.9122],
  [4, 28.7968],
  [8, 21.1905],
])('cooling for %f h gives %f °C', (h, c) => {
  const cooling = { litres: 10, uaWPerK: (10 * 4186) / 7200, roomC: 20, boilC: 100 };
  expect(temperatureAfter(cooling, 85, 0, h * 3600)).toBeCloseTo(c, 3);
});

test('it never passes the boil', () => expect(temperatureAfter({ ...pot, boilC: 98.3 }, 15, 3000, 36_000)).toBe(98.3));

describe('the simulated pot', () => {
  const sim: SimPot = {
    vesselId: 'v',
    probeId: 'p',
    on: true,
    burner: 10,
    maxW: 2000,
    lid: true,
    litres: 5,
    vesselLitres: 8,
    roomC: 20,
    boilC: 100,
    factor: 1,
    asOfMs: 0,
    asOfC: 20,
  };
  test('sixty times faster than life: a minute does what an hour would', () =>
    expect(simPotC({ ...sim, factor: 60 }, 10_000)).toBeCloseTo(simPotC(sim, 600_000), 9));
  test('turning the knob loses no degree', () => {
    const half = turnKnobs(sim, 300_000, { burner: 3 });
    expect(simPotC(half, 300_000)).toBeCloseTo(simPotC(sim, 300_000), 9);
    expect(simPotC(half, 600_000)).toBeLessThan(simPotC(sim, 600_000));
  });
  test('stepping through many small changes is the same as one stretch', () => {
    let stepped = sim;
    for (let ms = 0; ms <= 600_000; ms += 7_000) stepped = turnKnobs(stepped, ms, {});
    expect(simPotC(stepped, 600_000)).toBeCloseTo(simPotC(sim, 600_000), 6);
  });
  // checks.md C3: mixing 3 kg at 100 with 5 kg at 15 gives 46.875 °C
  test('topping up mixes', () => expect(turnKnobs({ ...sim, litres: 3, asOfC: 100, roomC: 15, burner: 0 }, 0, { litres: 8 }).asOfC).toBeCloseTo(46.875, 9));
  test('a probe reads tenths, within 0.3 K', () => {
    for (const chance of [0, 0.3, 0.999]) expect(Math.abs(probeReadsC(80.04, chance) - 80.04)).toBeLessThanOrEqual(0.3);
  });
});
