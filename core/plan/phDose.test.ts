import { expect, test } from 'vitest';
import { exactly } from '../chem/band';
import { forecast } from '../chem/forecast';
import { strengthBand } from '../chem/freed';
import { phDoseText } from './phDose';
import { planned, step, wool } from './plan.fixture';

const plan = planned([wool('a', 40)]);
const bath = step(plan, 'extract');
const amount = bath.water;
if (!amount) throw new Error('the extraction has water');
const vinegar = { ...amount, id: 'vinegar', substance: 'vinegar', name: 'white vinegar', overruled: null };
const sour = { ...bath, phAim: { low: 4, high: 5 }, additions: [vinegar], water: { ...amount, overruled: 2000 } };
const home = (alkalinityMgL: number) => ({ ...plan, home: { ...plan.home, water: { alkalinityMgL, hardnessMgL: null } } });

test('the dose that is said lands in the aim when it is reckoned forward again', () => {
  const said = phDoseText(sour, home(100));
  const likely = Number(/about ([\d.]+) mL white vinegar/.exec(said)?.[1]);
  const after = forecast({ volumeMl: exactly(2000), alkalinityMgL: exactly(100), tempC: 25, measuredPh: null, buffer: [] }, [
    { substance: 'vinegar', amount: exactly(likely), strengthPct: strengthBand('vinegar', 5) },
  ]);
  expect(after.ok && after.ph.likely).toBeGreaterThan(4.3);
  expect(after.ok && after.ph.likely).toBeLessThan(4.7);
  expect(said).toContain('your water');
});
test('harder water takes more; water nobody asked about is any tap, and said so', () => {
  const of = (alkalinity: number) => Number(/about ([\d.]+) mL/.exec(phDoseText(sour, home(alkalinity)))?.[1]);
  expect(of(250)).toBeGreaterThan(2 * of(50));
  expect(phDoseText(sour, plan)).toContain('nobody said how hard yours is');
});
test('no aim, nothing that moves a pH, or no volume: nothing is said', () => {
  expect(phDoseText({ ...sour, phAim: undefined }, plan)).toBe('');
  expect(phDoseText({ ...sour, additions: [] }, plan)).toBe('');
  expect(phDoseText({ ...sour, water: null, fit: null }, plan)).toBe('');
});
