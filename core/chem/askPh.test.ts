import { expect, test } from 'vitest';
import { askPh, type PhQuestion } from './askPh';
import { exactly } from './band';

const question: PhQuestion = {
  substance: 'vinegar',
  strengthPct: 5,
  formFactor: 1,
  volumeMl: exactly(2000),
  alkalinityMgL: exactly(100),
  tempC: 25,
  nowPh: 6.4,
  amount: null,
  targetPh: 4.5,
  put: null,
  thenPh: null,
};

test('2 L from 6.4 to 4.5: some mL of vinegar, and a curve that reaches it', () => {
  const { dose, curve, next } = askPh(question);
  expect(dose).toMatchObject({ ok: true });
  expect(dose?.ok && dose.amount.likely).toBeGreaterThan(1);
  expect(dose?.ok && dose.amount.likely).toBeLessThan(30);
  expect(curve.at(-1)?.ph).toBeLessThan(4.5);
  expect(next).toBeNull();
});

test('a bath that gave way less than the sum wants more of the next spoon', () => {
  const plain = askPh({ ...question, tempC: 25, nowPh: 6 });
  const taught = askPh({ ...question, tempC: 25, nowPh: 7, put: exactly(4), thenPh: 6 });
  expect(taught.taught).toMatchObject({ phAfter: 6, isOdd: false });
  expect(taught.dose?.ok && plain.dose?.ok && taught.dose.amount.likely > plain.dose.amount.likely).toBe(true);
});

// A strip of 13 from soda alone: no amount gives it.
test('a strip that the sum cannot give is questioned, and teaches nothing', () => {
  const { taught } = askPh({ ...question, substance: 'sodaAsh', strengthPct: null, tempC: 25, nowPh: 7, put: exactly(2), thenPh: 13, targetPh: null });
  expect(taught).toMatchObject({ isOdd: true, phAfter: 13 });
  expect(taught?.expected.ok && taught.expected.ph.high).toBeLessThan(11.5);
});

test('an unlabelled vinegar makes the answer wider', () => {
  const amount = exactly(20);
  const [labelled, bare] = [askPh({ ...question, amount }).next, askPh({ ...question, amount, strengthPct: null }).next];
  expect(labelled?.ok && bare?.ok && bare.ph.high - bare.ph.low > labelled.ph.high - labelled.ph.low).toBe(true);
});

test('a dry powder does with less of it what crystals do: dose, amount and curve are of the one on the shelf', () => {
  const soda = { ...question, substance: 'washingSoda', strengthPct: null, tempC: 25, nowPh: null, targetPh: 10 };
  // Molar masses: Na2CO3 105.99, with ten waters 286.14 (CRC Handbook).
  const dry = 105.99 / 286.14;
  const [crystals, powder] = [askPh({ ...soda, amount: exactly(2.7) }), askPh({ ...soda, amount: exactly(2.7 * dry), formFactor: dry })];
  const likely = ({ dose }: typeof crystals) => (dose?.ok ? dose.amount.likely : Number.NaN);
  expect(likely(powder) / likely(crystals)).toBeCloseTo(dry, 6);
  expect(powder.next?.ok && crystals.next?.ok && powder.next.ph.likely - crystals.next.ph.likely).toBeCloseTo(0, 6);
  expect((powder.curve.at(-1)?.amount ?? 0) / (crystals.curve.at(-1)?.amount ?? 1)).toBeCloseTo(dry, 6);
});
