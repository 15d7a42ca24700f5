import { expect, test } from 'vitest';
import { type Certainty, foldPassport, type Treatment, type TreatmentKind } from '../fibre/passport';
import { measured } from '../figure';
import { untestedText } from './untested';

const did = (kind: TreatmentKind, certainty: Certainty): Treatment => ({
  id: `${kind}-${certainty}`,
  kind,
  certainty,
  substance: kind === 'dye' ? 'weld' : 'potash alum',
  wofPct: measured(10),
  atMs: 1,
  note: '',
  from: { hand: true },
});
const linen = { composition: [{ fibre: 'linen', pct: 100 }] } as const;
const wool = { composition: [{ fibre: 'wool', pct: 100 }] } as const;
const said = (of: typeof linen | typeof wool, ...treatments: Treatment[]) => untestedText(of, foldPassport(treatments.map((one) => ({ ...one, lotId: 'a' }))));

test('dyed linen with no mordant, or with nobody knows what, is fugitive until tested', () => {
  expect(said(linen, did('dye', 'known'), did('mordant', 'noneOnPurpose'))).toMatch(/^Unmordanted plant fibre.*fugitive until it is tested/);
  expect(said(linen, did('dye', 'known'))).toMatch(/nobody knows whether it was mordanted/);
});
test('mordanted, on wool, or not dyed at all, nothing is said', () => {
  expect(said(linen, did('dye', 'known'), did('mordant', 'known'))).toBeNull();
  expect(said(wool, did('dye', 'known'), did('mordant', 'noneOnPurpose'))).toBeNull();
  expect(said(linen, did('mordant', 'noneOnPurpose'))).toBeNull();
});
