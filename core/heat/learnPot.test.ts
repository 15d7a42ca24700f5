import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { crossing } from './crossing';
import { fitPot, type HeatSetting } from './fitPot';
import { knobsHold, learnPot, potOn, restsAtC, riseMin } from './learnPot';
import { metalJPerK, ROOM_C, shapeOf, WATER_J_PER_KG_K } from './losses';
import { holdingPowerW, runPot } from './potModel';

const MIN = 60_000;
const litres = 6;
const vesselLitres = 10;
/** The truth of a pot of the same kind as the fitted one, with noise: what is learnt must come near it. */
const truth = (loss: number) => ({
  heatJPerK: litres * WATER_J_PER_KG_K + metalJPerK(vesselLitres),
  lossFactor: loss,
  lagS: 90,
  shape: shapeOf(vesselLitres),
  roomC: ROOM_C,
  boilC: 99.97,
});
const POWER_W = 1100;

/** Half an hour of heat, an hour of cooling, read each half minute. */
function curve(seed: number, loss = 1.4) {
  const chance = seededChance(seed);
  const settings: HeatSetting[] = [
    { atMs: 0, name: 'raise', share: null, hasLid: true, litres },
    { atMs: 35 * MIN, name: null, share: null, hasLid: true, litres },
  ];
  let state = { bathC: 18, heatW: 0, goneKg: 0 };
  const readings = [];
  for (let i = 0; i <= 190; i++) {
    readings.push({ atMs: i * 0.5 * MIN, bathC: state.bathC + (chance() - 0.5) * 0.4 });
    state = runPot(truth(loss), state, i * 0.5 < 35 ? POWER_W : 0, true, 30);
  }
  const fit = fitPot(
    { vesselLitres, maxW: 1800, roomC: ROOM_C, boilC: 99.97, dryJPerK: metalJPerK(vesselLitres), settings, readings, learnt: null },
    Number.POSITIVE_INFINITY,
  );
  if (!fit) throw new Error('no fit');
  return fit;
}

describe('what the curves of a pot teach', () => {
  test('heat and losses come out near the truth, and surer with each curve', () => {
    const one = learnPot([curve(1)]);
    const five = learnPot([1, 2, 3, 4, 5].map((seed) => curve(seed)));
    expect(one?.n).toBe(1);
    expect(five?.n).toBe(5);
    // Capacity is only known to 6 %, and heat and losses with it.
    expect(Math.abs(Math.log((five?.powerW.raise?.middle ?? 0) / POWER_W))).toBeLessThan(0.1);
    expect(Math.abs(Math.log((five?.lossFactor.middle ?? 0) / 1.4))).toBeLessThan(0.15);
    expect(five?.powerW.raise?.lnSd).toBeLessThan(one?.powerW.raise?.lnSd ?? 0);
  });
  test('curves that lie apart make it less sure', () => {
    const alike = learnPot([1, 2, 3].map((seed) => curve(seed)));
    const apart = learnPot([curve(1, 0.8), curve(2, 1.4), curve(3, 2.2)]);
    expect(apart?.lossFactor.lnSd).toBeGreaterThan((alike?.lossFactor.lnSd ?? 0) * 2);
  });
  test('nothing of nothing', () => expect(learnPot([])).toBeNull());
  test('heating up as long as the pot itself takes, within a twentieth, in its range; another volume in proportion', () => {
    const pot = learnPot([1, 2, 3].map((seed) => curve(seed)));
    if (!pot) throw new Error('nothing learnt');
    const rise = riseMin(pot, vesselLitres, litres, 15, 80, 99.97);
    const real = crossing(truth(1.4), { bathC: 15, heatW: 0, goneKg: 0 }, POWER_W, true, 80) ?? 0;
    expect(rise?.n).toBe(3);
    expect(Math.abs((rise?.likelyMin ?? 0) / real - 1)).toBeLessThan(0.05);
    expect(rise?.lowMin).toBeLessThan(real);
    expect(rise?.highMin).toBeGreaterThan(real);
    expect(riseMin(pot, vesselLitres, 3, 15, 80, 99.97)?.likelyMin).toBeLessThan((rise?.likelyMin ?? 0) * 0.6);
    expect(riseMin(pot, vesselLitres, litres, 15, 99.9, 90)).toBeNull();
    // A heat that only just gets there may never do: no figure is made up for it.
    expect(riseMin({ ...pot, powerW: { raise: { middle: 240, lnSd: 0.4 } } }, vesselLitres, litres, 15, 65, 99.97)).toMatchObject({ highMin: null });
    expect(riseMin({ ...pot, powerW: {} }, vesselLitres, litres, 15, 80, 99.97)).toBeNull();
  });
  test('where a heat comes to rest is where it holds; what boils holds nothing', () => {
    const pot = { lossFactor: { middle: 1.4, lnSd: 0.1 }, lagS: { middle: 90, lnSd: 0.1 }, n: 2 };
    const holds = holdingPowerW(truth(1.4), true, 76);
    expect(restsAtC(pot, holds, vesselLitres, true, 99.97)).toBeCloseTo(76, 6);
    expect(restsAtC(pot, 9000, vesselLitres, true, 99.97)).toBe(99.97);
    const ratio = (middle: number) => ({ middle, lnSd: 0.05 });
    const [three, ...more] = knobsHold({ ...pot, powerW: { 'knob 9': ratio(2000), 'knob 3': ratio(holds), raise: ratio(500) } }, vesselLitres, true, 99.97);
    expect(more).toEqual([]);
    expect(three?.knob).toBe(3);
    expect(three?.c).toBeCloseTo(76, 6);
    expect(three?.offC).toBeGreaterThan(1);
    expect(three?.offC).toBeLessThan(4);
  });
  test('on another plate it is another pot', () => {
    const learnt = learnPot([curve(1)]);
    if (!learnt) throw new Error('nothing learnt');
    const pots = [{ ...learnt, vesselId: 'steel', heatSourceId: 'big' }];
    expect(potOn(pots, { id: 'steel', heatSourceId: 'big' })?.n).toBe(1);
    expect(potOn(pots, { id: 'steel', heatSourceId: 'small' })).toBeUndefined();
    expect(potOn(pots, null)).toBeUndefined();
  });
});
