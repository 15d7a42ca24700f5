import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Past } from '../bath/past';
import { FIBRES } from '../fibre/fibre';
import { measured, UNKNOWN } from '../figure';
import type { Vessel } from '../kitchen/vessel';
import { WAYS } from '../method/data/ways';
import { LIBRARY } from '../method/library';
import type { Lid } from '../method/method';
import { promiseIn } from '../safety/promises';
import { RULES } from '../safety/rules/all';
import { ASSISTANTS } from '../shelf/data/assistants';
import { DYESTUFFS } from '../shelf/data/dyestuffs';
import { buildPlan } from './buildPlan';
import type { ChainItem, Draft } from './draft';
import type { Plan, PlanStep } from './plan';
import { bringsKept, HEAD, input, keptLiquor, vessels, wool } from './plan.fixture';

/**
 * All rules on plans that nobody thought of: wild figures, stuffs, lids, pots and pasts. Some of what must be said is judged here a second
 * time, by code that knows nothing of the rules; figures by the safety handbook, sections 3 and 6.
 */

const MATERIALS = ['stainless', 'enamel', 'aluminium', 'glass', 'plastic', 'copper', 'iron', 'galvanised'] as const;
const LIDS: readonly Lid[] = ['none', 'resting', 'sealed', 'openedDaily'];
const FIBRE_KINDS = Object.keys(FIBRES) as (keyof typeof FIBRES)[];

const wishes = fc.record({
  way: fc.constantFrom(...WAYS),
  plant: fc.constantFrom(...DYESTUFFS).map(({ id }) => id),
  lots: fc.array(fc.record({ fibre: fc.constantFrom(...FIBRE_KINDS), dryG: fc.constantFrom(null, 3, 40, 152, 900) }), { minLength: 1, maxLength: 3 }),
  /** Each figure at its least, usual or most, by turns. */
  ends: fc.array(fc.constantFrom<'min' | 'usual' | 'max'>('min', 'usual', 'usual', 'max'), { minLength: 5, maxLength: 5 }),
  extras: fc.array(fc.record({ substance: fc.constantFrom(...ASSISTANTS).map(({ id }) => id), pct: fc.constantFrom(0.5, 3, 12, 60) }), { maxLength: 3 }),
  atItem: fc.nat(9),
  lid: fc.constantFrom(null, null, ...LIDS),
  materials: fc.array(fc.constantFrom(...MATERIALS), { minLength: 3, maxLength: 3 }),
  dyeOnly: fc.boolean(),
  childrenOrPets: fc.boolean(),
  held: fc.constantFrom(null, 'ironSulfate', 'vinegar', 'bleach'),
  ironed: fc.boolean(),
});
type Wish = typeof wishes extends fc.Arbitrary<infer T> ? T : never;

function planOf(wish: Wish): Plan | null {
  const lots = wish.lots.map(({ fibre, dryG }, i) => ({
    ...wool(`l${i}`, 1),
    composition: [{ fibre, pct: 100 }],
    dryWeightG: dryG === null ? UNKNOWN : measured(dryG),
  }));
  let nth = 0;
  const chain = wish.way.steps.map(({ methodId }, i): ChainItem => {
    const method = LIBRARY.find(methodId);
    const params = Object.fromEntries(
      (method?.params ?? []).flatMap((param) => {
        const end = wish.ends[nth++ % wish.ends.length] ?? 'usual';
        return end === 'usual' || param.usual === null ? [] : [[param.key, param[end]]];
      }),
    );
    return {
      id: `c${i + 1}`,
      methodId,
      params,
      dyestuffId: method?.needsDyestuff ? wish.plant : null,
      liquorId: bringsKept(methodId) ? keptLiquor.id : null,
    };
  });
  const at = wish.atItem % chain.length;
  const steps = LIBRARY.find(chain[at]?.methodId ?? '')?.steps ?? [];
  const wet = steps.find(({ liquor }) => liquor === 'own');
  const stepId = wet ? `c${at + 1}-${wet.key}` : null;
  const kitchen = vessels.map((vessel, i): Vessel => (i < 3 ? { ...vessel, material: wish.materials[i] ?? 'stainless', dyeOnly: wish.dyeOnly } : vessel));
  const past: Past = {
    held: wish.held === null ? [] : kitchen.map(({ id }) => ({ sessionId: 'old', vesselId: id, substances: [wish.held ?? ''], doneAtMs: 0 })),
    carried: wish.ironed ? { l0: { unrinsed: [], ironPct: 3 } } : {},
  };
  const more: Partial<Draft> = {
    chain,
    ...(stepId ? { extras: { [stepId]: wish.extras.map(({ substance, pct }, i) => ({ id: `extra-${i + 1}`, substance, wofPct: pct })) } } : {}),
    ...(stepId && wish.lid ? { lids: { [stepId]: wish.lid } } : {}),
  };
  const made = input(lots, more);
  return buildPlan({ ...made, vessels: kitchen, home: { ...made.home, childrenOrPets: wish.childrenOrPets }, liquors: [keptLiquor], past }, HEAD).plan;
}

/** The rules of the table, and what a plan says of itself. */
const KNOWN = new Set([...RULES.map(({ id }) => id), 'R14', 'P13', 'P16', 'span', 'looks', 'bath', 'dyestuff', 'vessel', 'method']);
const assistant = (id: string) => ASSISTANTS.find((one) => one.id === id);
const reacting = (step: PlanStep, kind: string) =>
  step.additions.filter(({ substance }) => assistant(substance)?.reacts.some((one) => one === kind)).map(({ substance }) => substance);
const says = (step: PlanStep, rule: string) => step.findings.filter((finding) => finding.rule === rule);
const stops = (step: PlanStep, rule: string) => says(step, rule).some(({ severity }) => severity === 'stop');

/** What must be said of a step whatever the rules are made of. */
function missing(step: PlanStep, plan: Plan): string[] {
  const faults: string[] = [];
  const must = (what: string, isSaid: boolean) => (isSaid ? undefined : faults.push(`${step.id}: ${what}`));
  const isHot = step.phases.some((phase) => phase.kind === 'raise' || phase.kind === 'hold');
  // X1–X3: bleach in one liquid with acid, ammonia, peroxide, a reducer or alcohol.
  if (reacting(step, 'bleach').length > 0) {
    if (reacting(step, 'acid').length > 0) must('bleach and acid', stops(step, 'X1'));
    if (reacting(step, 'ammonia').length + reacting(step, 'ammoniumSalt').length > 0) must('bleach and ammonia', stops(step, 'X2'));
    const third = reacting(step, 'reducer').length + reacting(step, 'alcohol').length;
    if (third > 0 || step.additions.some(({ substance }) => substance === 'peroxide')) must('bleach and what it burns', stops(step, 'X3'));
  }
  if (isHot && reacting(step, 'alcohol').length > 0) must('alcohol on the heat', stops(step, 'X21'));
  if (isHot && step.lid === 'sealed') must('sealed on the heat', stops(step, 'R19'));
  // R12: above the brim nothing goes; above nine tenths nothing is heated.
  const fill = step.fit?.fillPct ?? null;
  if (fill !== null && fill > 100.001) must('more than its pot holds', stops(step, 'R12'));
  if (fill !== null && fill > 90.001 && isHot) must('too full to heat', stops(step, 'R12'));
  if (fill !== null && fill < 60 && fill > 10) must('R12 at half a pot', says(step, 'R12').length === 0);
  // R13: more than 12 kg are no light lift.
  if (step.fit) must('R13 by weight', says(step, 'R13').length > 0 === step.fit.totalKg > 12);
  // P7 and P8 by the home.
  const pot = plan.vessels.find(({ id }) => id === step.vesselId);
  if (pot && !pot.dyeOnly && step.additions.some(({ substance }) => assistant(substance)?.group === 'mordant'))
    must('a mordant in a shared pot', stops(step, 'P8'));
  if (plan.home.childrenOrPets && isHot && step.phases.some((phase) => phase.kind === 'hold' && (phase.bandC?.[1] ?? 100) > 50))
    must('a hot pot and children', says(step, 'P7').length > 0);
  // R14: the planner itself puts no heat into an absence.
  must('heat with nobody there', says(step, 'R14').length === 0);
  return faults;
}

test('whatever is planned, what must be said is said, in words one can read, each once', () => {
  const fired = new Set<string>();
  let [plans, calm] = [0, 0];
  fc.assert(
    fc.property(wishes, (wish) => {
      const plan = planOf(wish);
      if (!plan) return;
      plans++;
      for (const step of plan.steps) {
        expect(missing(step, plan)).toEqual([]);
        if (step.findings.length === 0) calm++;
        const texts = step.findings.map(({ text }) => text);
        expect(new Set(texts).size).toBe(texts.length);
        for (const finding of step.findings) {
          fired.add(finding.rule);
          expect(KNOWN.has(finding.rule) ? '' : finding.rule).toBe('');
          expect(finding.text).not.toMatch(/NaN|undefined|null|Infinity|\[object|\d\.\d{4,}|\s{2}|\.\.$/);
          expect(promiseIn(finding.text)).toBeNull();
          expect(finding.text).toMatch(/[.?!]$/);
        }
      }
      // The same draft is the same plan.
      if (plans % 25 === 0) expect(planOf(wish)).toEqual(plan);
    }),
    { numRuns: 400, seed: 12 },
  );
  expect(plans).toBeGreaterThan(250);
  // Most rules were at work, and not everywhere: else this says little.
  expect(fired.size).toBeGreaterThan(25);
  expect(calm).toBeGreaterThan(200);
});
