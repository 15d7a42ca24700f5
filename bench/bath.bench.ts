import { expect, test } from 'vitest';
import { type BathAct, balanceOf } from '@/core/bath/balance';
import { exactly } from '@/core/chem/band';
import { type BathNow, doseFor, forecast, phCurve } from '@/core/chem/forecast';
import { equilibrium } from '@/core/chem/ph';
import { median, report } from './report';

const bath: BathNow = {
  volumeMl: { low: 3600, likely: 4000, high: 4400 },
  alkalinityMgL: { low: 20, likely: 100, high: 300 },
  tempC: 25,
  measuredPh: 6.4,
  buffer: [],
};
const vinegar = { substance: 'vinegar', strengthPct: { low: 4, likely: 5, high: 8 } };

test('the pH of a bath before it is poured', async () => {
  const solution = { weak: { acetic: 0.01, citric: 0.003, carbonic: 0.002 }, monovalent: 0.004, divalent: 0.001 };
  const powers = await median(201, () => Array.from({ length: 1000 }, (_, i) => 10 ** (-i / 100)));
  const many = await median(41, () => Array.from({ length: 50 }, (_, i) => equilibrium({ ...solution, monovalent: 0.004 + i * 1e-6 })));
  report(
    'one equilibrium of three acids, median',
    many / 50,
    'ms of 0.2',
    0.2,
    `${(many / 50 / powers).toFixed(1)} × a thousand powers of ten (${powers.toFixed(3)} ms)`,
  );
  const curve = await median(15, () => phCurve(bath, vinegar, 100, 200));
  report('a curve of 200 points, median', curve, 'ms of 30', 30, `${(curve / many).toFixed(1)} × fifty equilibria`);
  const said = await median(15, () => forecast(bath, [{ ...vinegar, amount: { low: 18, likely: 20, high: 22 } }]));
  report('what is said while an amount is typed, median', said, 'ms of 50', 50, `${(said / many).toFixed(1)} × fifty equilibria`);
  const dose = await median(15, () => doseFor(bath, vinegar, 4.5));
  report('how much it takes, with its range, median', dose, 'ms of 50', 50, `${(dose / many).toFixed(1)} × fifty equilibria`);
  expect(doseFor({ ...bath, volumeMl: exactly(4000) }, vinegar, 4.5)).toMatchObject({ ok: true });
});

test('a kept bath with 500 acts', async () => {
  const acts = Array.from({ length: 500 }, (_, i): BathAct => {
    const at = { atMs: i, isEstimate: false };
    if (i % 5 === 0) return { ...at, kind: 'from', what: 'draw', mL: 900, carries: [] };
    if (i % 5 === 1) return { ...at, kind: 'put', substance: i % 2 ? 'alum' : 'chalk', amount: 5, unit: 'g', isMatter: false };
    if (i % 5 === 2) return { ...at, kind: 'water', mL: 100, isTopUp: true };
    return i % 5 === 3 ? { ...at, kind: 'boiled', mL: 50 } : { ...at, kind: 'out', way: 'drawn', what: 'portion', mL: 600 };
  });
  const bare = await median(41, () => acts.reduce((sum, act) => sum + ('mL' in act ? (act.mL ?? 0) : 0), 0));
  const folded = await median(41, () => balanceOf(acts));
  report('the balance of a bath with 500 acts, median', folded, 'ms of 5', 5, `${(folded / bare).toFixed(0)} × adding their volumes up`);
  expect(balanceOf(acts).lines).toHaveLength(500);
});
