import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { fitPot } from './fitPot';
import { bathAfter, minutesTo, potNow, turnDown } from './forecast';
import { lossW, shapeOf, steamW } from './losses';
import { holdingPowerW, mixedC, type PotModel, runPot } from './potModel';

const shape = shapeOf(14);
const model: PotModel = { heatJPerK: 10 * 4186, lossFactor: 1, lagS: 60, shape, roomC: 20, boilC: 99.97 };

describe('a pot with a lagging source', () => {
  test('cools as Newton says where only the wall loses heat (checks.md C3: 85 to 20 °C, τ 2 h)', () => {
    // A pot without an opening, its capacity such that C/UA is two hours; what it loses is linear.
    const closed = { ...shape, openM2: 0 };
    const perKelvinW = lossW(closed, true, 21, 20);
    const cooling = { ...model, shape: closed, heatJPerK: 7200 * perKelvinW };
    for (const [hours, c] of [
      [0.5, 70.6221],
      [1, 59.4245],
      [2, 43.9122],
      [4, 28.7968],
      [8, 21.1905],
    ] as const)
      expect(runPot(cooling, { bathC: 85, heatW: 0, goneKg: 0 }, 0, true, hours * 3600).bathC).toBeCloseTo(c, 3);
  });

  test('energy in is energy stored and lost, within a thousandth', () => {
    const powerW = 1500;
    let state = { bathC: 20, heatW: powerW, goneKg: 0 };
    let lostJ = 0;
    for (let s = 0; s < 2400; s += 5) {
      const next = runPot(model, state, powerW, true, 5);
      lostJ += 5 * lossW(shape, true, (state.bathC + next.bathC) / 2, 20);
      state = next;
    }
    expect((state.bathC - 20) * model.heatJPerK + lostJ).toBeCloseTo(powerW * 2400, -4);
    expect(Math.abs(((state.bathC - 20) * model.heatJPerK + lostJ) / (powerW * 2400) - 1)).toBeLessThan(1e-3);
  });

  test('at the boil it stays, and what comes in goes off: 1 kW net is 1.595 kg/h (checks.md C4; latent heat near the boil, within 2 %)', () => {
    const atBoil = { bathC: model.boilC, heatW: 0, goneKg: 0 };
    const holdW = holdingPowerW(model, false, model.boilC);
    const steam = steamW(shape, false, model.boilC);
    const boiled = runPot(model, { ...atBoil, heatW: holdW + 1000 }, holdW + 1000, false, 3600);
    expect(boiled.bathC).toBe(model.boilC);
    expect((boiled.goneKg - (steam * 3600) / 2.28e6) / 1.595).toBeGreaterThan(0.98);
    expect((boiled.goneKg - (steam * 3600) / 2.28e6) / 1.595).toBeLessThan(1.02);
  });

  test('the source lags: turned off, the bath goes on rising, by no more than what was on its way', () => {
    const off = runPot(model, { bathC: 60, heatW: 1500, goneKg: 0 }, 0, true, 120);
    expect(off.bathC).toBeGreaterThan(60.5);
    expect(off.bathC).toBeLessThan(60 + (1500 * model.lagS) / model.heatJPerK);
  });

  test('what holds a temperature holds it', () => {
    const holdW = holdingPowerW(model, true, 80);
    expect(runPot(model, { bathC: 80, heatW: holdW, goneKg: 0 }, holdW, true, 7200).bathC).toBeCloseTo(80, 6);
  });

  // checks.md C4: an open pot of 30 cm, kg/h; the form is good to a factor of two, its figures are these.
  test.each([
    [40, 0.06],
    [60, 0.18],
    [85, 0.56],
    [95, 0.83],
  ])('open at %d °C, 30 cm wide, about %f kg/h goes off', (c, kgPerH) => {
    const pot = { wallM2: 0, openM2: Math.PI * 0.15 ** 2 };
    expect((steamW(pot, false, c) * 3600) / 2.28e6 / kgPerH).toBeGreaterThan(0.9);
    expect((steamW(pot, false, c) * 3600) / 2.28e6 / kgPerH).toBeLessThan(1.1);
    expect(steamW(pot, true, c)).toBeCloseTo(steamW(pot, false, c) / 10, 9);
  });
  test('no steam into air that is as moist, never a negative one', () => expect(steamW(shape, false, 5)).toBe(0));

  test('whatever a probe sends, a fit is finite or none', () => {
    const chance = seededChance(9);
    for (let i = 0; i < 300; i++) {
      const kind = i % 6;
      const readings = Array.from({ length: 3 + Math.floor(chance() * 40) }, (_, k) => ({
        atMs: kind === 1 ? 0 : kind === 2 ? Math.floor(k / 5) * 60_000 : k * 20_000,
        bathC: kind === 3 ? 20 : kind === 4 ? (k % 2 ? 150 : -10) : kind === 5 && k === 7 ? 9999 : 15 + 90 * chance(),
      }));
      const settings = [
        { atMs: 0, name: 'raise', share: null, hasLid: true, litres: 0.1 + 60 * chance() },
        ...(i % 2 ? [{ atMs: 200_000, name: null, share: null, hasLid: false, litres: 0.1 + 60 * chance() }] : []),
      ];
      const fit = fitPot({
        vesselLitres: 0.3 + 80 * chance(),
        maxW: i % 3 ? null : 1 + 9000 * chance(),
        roomC: 20,
        boilC: 99.9,
        dryJPerK: 10,
        settings,
        readings,
        learnt: null,
      });
      if (!fit) continue;
      expect(fit.theta.every(Number.isFinite) && fit.root.flat().every(Number.isFinite)).toBe(true);
      const pot = potNow(fit, readings.at(-1)?.atMs ?? 0);
      for (const value of Object.values(bathAfter(pot, 10))) expect(Number.isFinite(value)).toBe(true);
      const to = minutesTo(pot, 80);
      if (to) expect(to.likely).toBeGreaterThanOrEqual(0);
      const down = turnDown(pot, 75);
      if (down) expect(down.inMin).toBeGreaterThanOrEqual(0);
    }
  });

  test('3 kg at 100 °C and 5 kg at 15 °C are 46.875 °C (checks.md C3)', () => expect(mixedC(3 * 4186, 100, 5 * 4186, 15)).toBeCloseTo(46.875, 9));
});
