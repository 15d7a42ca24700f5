import { describe, expect, test } from 'vitest';
import { measured, UNKNOWN } from '../figure';
import type { PlanStep } from '../plan/plan';
import { planned, step, wool } from '../plan/plan.fixture';
import { foldRun, type LoggedAddition, type StepState } from './fold';
import { bathByStrips, doseSaid, nextDose, oddStrip, phAfter, pouringPh } from './phNext';

const plan = planned([wool('a', 100)]);
const base = step(plan, 'extract');
/** A bath that shall be sour: some litres of water, vinegar to go in. */
const sour: PlanStep = {
  ...base,
  phAim: { low: 4, high: 5 },
  additions: [{ ...(base.additions[0] as PlanStep['additions'][number]), substance: 'vinegar', name: 'white vinegar', unit: 'mL' }],
};
const empty = foldRun(plan.steps, []).steps[base.id] as StepState;
const vinegar = (mL: number | null, atMs: number): LoggedAddition => ({
  eventId: `v${atMs}`,
  additionId: null,
  substance: 'vinegar',
  amount: mL === null ? UNKNOWN : measured(mL),
  unit: 'mL',
  atMs,
});
const state = (ph: [atMs: number, value: number][], additions: LoggedAddition[] = [], litres = 4): StepState => ({
  ...empty,
  volumeMl: [{ atMs: 0, value: litres * 1000 }],
  ph: ph.map(([atMs, value]) => ({ atMs, value })),
  additions,
});
const pour = (mL: number) => ({ substance: 'vinegar', amount: measured(mL), unit: 'mL' as const });

describe('an after-bath of plain water, before any strip', () => {
  const water = base.water ?? { ...(base.additions[0] as PlanStep['additions'][number]), id: 'water', unit: 'mL' as const };
  const after: PlanStep = { ...base, kind: 'modifier', lotIds: ['a'], water: { ...water, substance: 'water' }, additions: [], phases: [] };
  const soda = (g: number, atMs = 2): LoggedAddition => ({ ...vinegar(null, atMs), substance: 'washingSoda', amount: measured(g), unit: 'g' });
  const pouring = { substance: 'washingSoda', amount: measured(2.2), unit: 'g' as const };

  test('half a teaspoon of washing soda in 3 L: crystals near 10.5, the white powder near 10.9; wool stops taking, said before it is poured', () => {
    const comes = (form?: string) => {
      const found = phAfter({ ...plan, draft: { ...plan.draft, labels: form ? { washingSoda: form } : {} } }, after, state([], [], 3), pouring);
      return found?.ok ? found.ph : { low: Number.NaN, likely: Number.NaN, high: Number.NaN };
    };
    // By hand, in pure water (charge balance; pKa 10.33, at this ionic strength about 10.1): crystals 2.6 mmol/L, pH 10.6 to 10.7; the dry
    // powder 6.9 mmol/L, pH 10.9. What is dissolved in tap water takes some of it.
    expect(comes('deca').likely).toBeGreaterThan(10);
    expect(comes('deca').high).toBeLessThan(10.75);
    expect(comes('dry').likely).toBeGreaterThan(comes('deca').likely + 0.3);
    expect(comes('dry').high).toBeGreaterThan(10.8);
    expect(comes('dry').high).toBeLessThan(11.15);
    // Nobody read the label: from the one to the other.
    expect(comes().low).toBeCloseTo(comes('deca').low, 6);
    expect(comes().high).toBeCloseTo(comes('dry').high, 6);
    const [said] = pouringPh(plan, after, state([], [], 3), pouring);
    expect(said).toMatchObject({ severity: 'caution', text: expect.stringContaining('wool stops taking and silk is harmed') });
    expect(pouringPh({ ...plan, lots: [] }, after, state([], [], 3), pouring)[0]).toMatchObject({ severity: 'note' });
  });
  test('with plant matter in it, nothing is claimed without a strip', () => {
    const weld: LoggedAddition = { ...vinegar(null, 1), substance: 'weld', amount: measured(50), unit: 'g' };
    expect(phAfter(plan, after, state([], [weld], 3), pouring)).toBeNull();
    expect(phAfter(plan, { ...after, kind: 'dye' }, state([], [], 3), pouring)).toBeNull();
  });
  test('a strip of 13 cannot come of soda alone: read again; 11 can, and less than the sum says is no wonder', () => {
    const odd = (ph: number, of = state([], [soda(2.2)], 3)) => oddStrip(plan, after, of, ph).map(({ text }) => text);
    expect(odd(13)).toEqual([expect.stringMatching(/13 cannot come of it alone. Read a second strip/)]);
    expect(odd(11)).toEqual([]);
    expect(odd(8.5)).toEqual([]);
    // Soda makes nothing sour.
    expect(odd(2)).toHaveLength(1);
    expect(oddStrip(plan, sour, state([[1, 6]], [vinegar(5, 2)]), 1.2)).toHaveLength(1);
    // Nothing went in since the strip: there is nothing to hold it against.
    expect(odd(13, state([[1, 7]], [], 3))).toEqual([]);
  });
});

describe('the pH before it is poured, by what the strips said', () => {
  test('no strip, no volume, or something of unknown amount since: nothing is claimed', () => {
    expect(phAfter(plan, sour, state([]), pour(10))).toBeNull();
    expect(phAfter(plan, { ...sour, water: null }, { ...state([[1, 7]]), volumeMl: [] }, pour(10))).toBeNull();
    expect(phAfter(plan, sour, state([[1, 7]], [vinegar(null, 2)]), pour(10))).toBeNull();
    expect(phAfter(plan, sour, state([[1, 7]]), { substance: 'weld', amount: measured(1), unit: 'g' })).toBeNull();
  });

  test('more vinegar is lower, and what went in since the strip counts', () => {
    const at = (mL: number, since: LoggedAddition[] = []) => {
      const found = phAfter(plan, sour, state([[1, 7]], since), pour(mL));
      return found?.ok ? found.ph.likely : Number.NaN;
    };
    expect(at(20)).toBeLessThan(at(5));
    expect(Math.abs(at(5, [vinegar(15, 2)]) - at(20))).toBeLessThan(0.02);
  });

  test('a strip that is questioned teaches nothing', () => {
    const odd = state(
      [
        [1, 6.5],
        [3, 1.5],
      ],
      [vinegar(5, 2)],
    );
    expect(bathByStrips(plan, sour, odd)).toMatchObject({ taught: 0, bath: { measuredPh: 1.5, buffer: [] } });
  });

  test('strips before and after a known spoon teach: a bath that gives way slowly wants more', () => {
    const quick = nextDose(plan, sour, state([[1, 6]]), 'vinegar');
    const slow = state(
      [
        [1, 6.5],
        [3, 6],
      ],
      [vinegar(15, 2)],
    );
    expect(bathByStrips(plan, sour, slow)?.taught).toBe(1);
    const taught = nextDose(plan, sour, slow, 'vinegar');
    expect(taught?.all.likely).toBeGreaterThan(quick?.all.likely ?? Number.POSITIVE_INFINITY);
  });

  test('a dose that is worked out ends in the aim, and overshooting is said with how much is enough', () => {
    const own = state([[1, 7]]);
    const dose = nextDose(plan, sour, own, 'vinegar');
    const after = phAfter(plan, sour, own, pour(dose?.all.likely ?? 0));
    expect(after?.ok && Math.abs(after.ph.likely - 4.5)).toBeLessThan(0.05);
    expect(pouringPh(plan, sour, own, pour(dose?.all.likely ?? 0))[0]).toMatchObject({ severity: 'note' });
    const [finding] = pouringPh(plan, sour, own, pour(400));
    expect(finding).toMatchObject({ severity: 'caution', text: expect.stringMatching(/overshoots 4 to 5\. About \d+ mL is enough: half of it first\./) });
  });

  test('beside a strip: how much more; nothing where it is there, or past it', () => {
    expect(doseSaid(plan, sour, state([]), 7, 5)).toMatch(/^by the sum about \d+ mL more white vinegar \(.*\): half of it, stir, measure$/);
    expect(doseSaid(plan, sour, state([]), 4.5, 5)).toBe('');
    expect(doseSaid(plan, sour, state([]), 3, 5)).toBe('');
  });
});
