import { expect, test } from 'vitest';
import { askPh, type PhQuestion } from './askPh';
import { exactly } from './band';

const question: PhQuestion = {
  substance: 'vinegar',
  strengthPct: 5,
  volumeMl: exactly(2000),
  alkalinityMgL: exactly(100),
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
  const plain = askPh({ ...question, nowPh: 6 });
  const taught = askPh({ ...question, nowPh: 7, put: exactly(4), thenPh: 6 });
  expect(taught.taught).toMatchObject({ phAfter: 6, isOdd: false });
  expect(taught.dose?.ok && plain.dose?.ok && taught.dose.amount.likely > plain.dose.amount.likely).toBe(true);
});

// A strip of 13 from soda alone: no amount gives it.
test('a strip that the sum cannot give is questioned, and teaches nothing', () => {
  const { taught } = askPh({ ...question, substance: 'sodaAsh', strengthPct: null, nowPh: 7, put: exactly(2), thenPh: 13, targetPh: null });
  expect(taught).toMatchObject({ isOdd: true, phAfter: 13 });
  expect(taught?.expected.ok && taught.expected.ph.high).toBeLessThan(11.5);
});

test('an unlabelled vinegar makes the answer wider', () => {
  const amount = exactly(20);
  const [labelled, bare] = [askPh({ ...question, amount }).next, askPh({ ...question, amount, strengthPct: null }).next];
  expect(labelled?.ok && bare?.ok && bare.ph.high - bare.ph.low > labelled.ph.high - labelled.ph.low).toBe(true);
});
