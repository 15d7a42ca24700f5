import { expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { fitPot, type PotHistory } from '@/core/heat/fitPot';
import { minutesTo, potNow, turnDown } from '@/core/heat/forecast';
import { anyPot, RichRunner } from '@/core/heat/richPot.fixture';
import { forecastOf } from '@/core/run/heatNow';
import { median, report } from './report';

test('the forecast of a pot', async () => {
  const pot = anyPot(seededChance(5));
  const run = new RichRunner(pot, 18, seededChance(3), 2);
  run.run(25 * 60, 8);
  const history: PotHistory = {
    vesselLitres: pot.vesselLitres,
    maxW: pot.maxW,
    roomC: 20,
    boilC: 100,
    dryJPerK: 1000,
    settings: [{ atMs: 0, name: 'knob 8', share: 0.8, hasLid: pot.hasLid, litres: pot.litres }],
    readings: run.readings,
    learnt: null,
  };
  const powers = await median(201, () => Array.from({ length: 1000 }, (_, i) => 10 ** (-i / 100)));
  const fit = fitPot(history);
  if (!fit) throw new Error('no fit');
  const fitted = await median(41, () => fitPot(history));
  report('a pot fitted to 750 readings, median', fitted, 'ms of 4', 4, `${(fitted / powers).toFixed(0)} × a thousand powers of ten (${powers.toFixed(3)} ms)`);
  const now = potNow(fit, run.nowMs);
  const said = await median(41, () => [potNow(fit, run.nowMs), minutesTo(now, 80)]);
  report('a forecast: the time to a temperature with its range, median', said, 'ms of 2', 2, `${(said / powers).toFixed(0)} × a thousand powers of ten`);
  const advice = await median(41, () => turnDown(now, 75));
  report('when to turn down and to what, median', advice, 'ms of 2', 2, `${(advice / powers).toFixed(0)} × a thousand powers of ten`);
  const all = await median(41, () => forecastOf(history, [70, 80], 8));
  report('all that the stove says of a pot, with each reading, median', all, 'ms of 16', 16, 'fit, four forecasts, a curve of 21 points');
  expect(forecastOf(history, [70, 80], 8)?.toBand).not.toBeNull();
});
