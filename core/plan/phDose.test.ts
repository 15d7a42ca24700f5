import { expect, test } from 'vitest';
import { exactly } from '../chem/band';
import { forecast } from '../chem/forecast';
import { strengthBand } from '../chem/freed';
import { FORMS } from '../shelf/forms';
import { STARTER } from '../shelf/library';
import { additionAmount, type Base } from './amounts';
import { phDose, phDoseText } from './phDose';
import { planned, step, wool } from './plan.fixture';

const plan = planned([wool('a', 40)]);
const bath = step(plan, 'extract');
const amount = bath.water;
if (!amount) throw new Error('the extraction has water');
const vinegar = { ...amount, id: 'vinegar', substance: 'vinegar', name: 'white vinegar', overruled: null };
const sour = { ...bath, phAim: { low: 4, high: 5 }, additions: [vinegar], water: { ...amount, overruled: 2000 } };
const home = (alkalinityMgL: number) => ({ ...plan, home: { ...plan.home, water: { alkalinityMgL, hardnessMgL: null, ph: 8 } } });

test('the dose that is said lands in the aim when it is reckoned forward again', () => {
  const said = phDoseText(sour, home(100));
  const likely = Number(/about ([\d.]+) mL white vinegar/.exec(said)?.[1]);
  const after = forecast({ volumeMl: exactly(2000), alkalinityMgL: exactly(100), tapPh: exactly(8), tempC: 20, measuredPh: null, buffer: [] }, [
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
  expect(phDoseText({ ...sour, phases: [], water: null, fit: null }, plan)).toBe('');
});

const FIVE = FORMS.vinegar?.find(({ strengthPct }) => strengthPct === 5)?.id ?? '';
const asked = {
  substance: 'vinegar',
  aim: { low: 4, high: 5 },
  bathMl: 2000,
  alkalinityMgL: exactly(100),
  tapPh: exactly(8),
  tempC: 20,
  labels: { vinegar: FIVE },
} as const;
const base = (labels: Record<string, string>): Base => ({
  params: { dose: null },
  dryG: 100,
  doseG: 100,
  pieces: 1,
  waterMl: 2000,
  phAim: { low: 9, high: 10 },
  alkalinityMgL: exactly(100),
  tapPh: exactly(8),
  tempC: 25,
  dyestuffId: null,
  form: null,
  labels,
  shelf: STARTER,
});
const soda = (labels: Record<string, string>) =>
  additionAmount({ id: 'x', substance: 'washingSoda', rule: 'toPh', per: 'gPerL', dose: { param: 'dose' } }, base(labels), null).proposed;

test('a quantity by its pH is the most likely figure with its range, and the same as the words beside it', () => {
  const { result, between, missing } = phDose(asked);
  expect(missing).toEqual([]);
  expect(between?.least).toBeLessThan(result ?? 0);
  expect(between?.most).toBeGreaterThan(result ?? 0);
  const said = phDoseText({ ...sour, phases: [], water: { ...amount, overruled: 2000 } }, { ...home(100), labels: asked.labels });
  expect(said).toContain(`about ${result} mL`);
});
test('of a powder the form on the shelf is weighed: once, not twice', () => {
  const [first, ...others] = (FORMS.washingSoda ?? []).map(({ id, factor }) => ({ factor, g: soda({ washingSoda: id }).result ?? Number.NaN }));
  expect(others.length).toBeGreaterThan(0);
  for (const one of others) expect(one.g / (first?.g ?? 1)).toBeCloseTo(one.factor / (first?.factor ?? 1), 1);
});
test('what cannot be brought there, or has no volume, says what is wanted', () => {
  expect(phDose({ ...asked, aim: { low: 9, high: 10 } })).toMatchObject({ result: null, missing: [expect.stringContaining('another pH')] });
  expect(phDose({ ...asked, bathMl: null })).toMatchObject({ result: null, missing: ['how much is in the bath'] });
});
