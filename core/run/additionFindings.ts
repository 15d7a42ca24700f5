import { hasWool } from '../fibre/lot';
import { type Figure, knownOf } from '../figure';
import { atLeast } from '../measure/limits';
import { type AmountUnit, printNumber } from '../measure/print';
import { NOTHING_TAKES_PH } from '../plan/phAim';
import type { Plan, PlannedAmount, PlanStep } from '../plan/plan';
import { asPutIn, type Context, contentOf, factsOf, type Seen, UNKNOWN_HOT_C } from '../plan/stepFacts';
import { type Finding, isStop, rankFindings } from '../safety/finding';
import { checkStep } from '../safety/rules/all';
import { riseSaid } from '../safety/rules/fibre';
import { liftSaid } from '../safety/rules/work';
import { shelfOf } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import type { StepClock } from './clock';
import type { StepState } from './fold';
import { oddStrip, type Pouring, pouringPh } from './phNext';

/** A name as typed finds what it means on the shelf: "Baking soda" is baking soda. */
export function substanceByName(name: string, shelf: Shelf): string {
  const wanted = name.trim().toLowerCase();
  if (wanted === 'water') return 'water';
  const all = [...shelf.assistants, ...shelf.dyestuffs];
  const known = all.find((one) => one.id.toLowerCase() === wanted || one.name.toLowerCase() === wanted);
  if (known) return known.id;
  // "washing soda" is washing soda crystals, as long as nothing else begins so.
  const [only, ...more] = wanted.length < 4 ? [] : all.filter((one) => one.name.toLowerCase().startsWith(`${wanted} `));
  return only && more.length === 0 ? only.id : name.trim();
}

type Steps = Readonly<Record<string, StepState>>;

/** What is about to be written down, as far as a bath feels it. */
export type BathFact = { readonly pouring: Pouring } | { readonly ph: number } | { readonly bathC: number };

/**
 * What the rules say before something is poured in or a strip is believed: the bath with all that was logged so far, in
 * this step and those before it, and this on top. Only what this changes is said again. It never blocks the record: what
 * has happened is written down whatever it was.
 */
export function factFindings(plan: Plan, step: PlanStep, states: Steps, fact: BathFact): Finding[] {
  const before = new Set(bathFindings(plan, step, states, null).map((finding) => finding.text));
  return [
    ...bathFindings(plan, step, states, fact).filter((finding) => !before.has(finding.text) && finding.rule !== 'R28'),
    ...('ph' in fact ? [...oddStrip(plan, step, states[step.id], fact.ph), ...nothingTakes(step, fact.ph)] : []),
    ...('pouring' in fact ? mistaken(step, fact.pouring.substance) : []),
    ...('pouring' in fact ? pouringPh(plan, step, states[step.id], fact.pouring) : []),
  ];
}

/** Names that are taken for another thing (trade handbook: not baking powder). */
const NOT_THE_SAME: readonly { readonly name: RegExp; readonly says: string }[] = [
  {
    name: /\bbaking\s*powder\b/i,
    says: 'Baking powder is not baking soda: acid and starch are in it, and it hardly moves the pH. Which of the two is in the tin? Baking soda names nothing but sodium bicarbonate.',
  },
];

const mistaken = (step: Pick<PlanStep, 'id'>, substance: string): Finding[] =>
  NOT_THE_SAME.filter(({ name }) => name.test(substance)).map(({ says }) => ({ rule: 'another thing', severity: 'caution', stepId: step.id, text: says }));

/** A dyebath as alkaline as this gives nothing to the goods: said before they go in (common practice, no source). */
const nothingTakes = (step: Pick<PlanStep, 'id' | 'dyestuffId'>, ph: number): Finding[] =>
  step.dyestuffId !== null && atLeast(ph, NOTHING_TAKES_PH)
    ? [
        {
          rule: 'pH 12',
          severity: 'caution',
          stepId: step.id,
          text: `From a bath of pH ${printNumber(ph)} dye may not take: hold the goods back. Read a second strip; then dilute it, or begin again with less.`,
        },
      ]
    : [];

/** Before a pot is carried: how heavy it is, and how hot it was read last; a bath on the heat that nobody read counts as planned. */
export function movingFindings(step: Pick<PlanStep, 'id' | 'fit' | 'phases'>, own: StepState | undefined, latestC: number | null): Finding[] {
  if (!step.fit) return [];
  const heatOn =
    own?.status === 'running' && own.entered.some((entry) => step.phases[entry.phaseIndex]?.kind === 'raise' || step.phases[entry.phaseIndex]?.kind === 'hold');
  const hold = step.phases.find((phase) => phase.kind === 'hold');
  const hotC = latestC ?? own?.typedC.at(-1)?.bathC ?? (heatOn ? (hold?.bandC?.[1] ?? UNKNOWN_HOT_C) : null);
  return liftSaid(step.fit.totalKg, hotC).map((said): Finding => ({ rule: 'R13', stepId: step.id, ...said }));
}

/** R8 as it happens: wool that is heated up faster than it stands, by what was read. */
export function risingNow(plan: Pick<Plan, 'lots'>, step: PlanStep, clock: Pick<StepClock, 'riseCPerMin' | 'current'>): Finding[] {
  if (clock.riseCPerMin === null || clock.current?.phase.kind !== 'raise' || step.kind === 'bundle') return [];
  const isWool = plan.lots.some(({ id, composition }) => step.lotIds.includes(id) && hasWool(composition));
  return isWool ? riseSaid(clock.riseCPerMin).map((said): Finding => ({ rule: 'R8', stepId: step.id, ...said })) : [];
}

/** What to do now about a bath as it really is: a stop afterwards is advice, not a refusal. */
export const bathNow = (plan: Plan, step: PlanStep, states: Steps): Finding[] => [
  ...mouldSeen(step, states[step.id]),
  ...bathFindings(plan, step, states, null).filter((finding) => isStop(finding) && finding.rule !== 'R5' && finding.rule !== 'R12'),
];

const MOULD = /\b(mou?ld(y|s)?|fuzz(y)?|fur(ry)?|mildew)\b/i;
const NO_MOULD = /\b(no|not|without)\s+(any\s+)?(mou?ld|fuzz|fur|mildew)/i;

/** A look that saw mould, and nothing better since (safety handbook R29, P14). */
function mouldSeen(step: PlanStep, state: StepState | undefined): Finding[] {
  const last = state?.checks.at(-1)?.finding ?? '';
  if (!MOULD.test(last) || NO_MOULD.test(last)) return [];
  return [
    { rule: 'R29', severity: 'stop', stepId: step.id, text: 'Mould was seen: do not sniff or stir it. Bag it outdoors and bin it; wash the vessel hot.' },
  ];
}

function bathFindings(plan: Plan, step: PlanStep, states: Steps, fact: BathFact | null): Finding[] {
  const shelf = shelfOf(plan.own);
  const index = plan.steps.findIndex((one) => one.id === step.id);
  const labels = { ...plan.labels, ...plan.draft.labels };
  const context: Context = {
    shelf,
    labels,
    steps: plan.steps,
    home: plan.home,
    away: [],
    reasons: {},
    past: plan.past,
    lots: plan.lots,
    sketches: plan.steps.map((one) => ({
      id: one.id,
      vessel: plan.vessels.find((vessel) => vessel.id === (states[one.id]?.vesselId ?? one.vesselId)) ?? null,
      startsWarm: one.kind === 'dye',
      still: false,
    })),
  };
  const { dryG, waterMl } = factsOf(step, index, context);
  const own = states[step.id];
  const contentsOf = (poured: readonly Pouring[]) =>
    poured.map(({ substance, amount, unit }) => contentOf(asPlanned(substance, amount, unit, shelf), dryG, waterMl, shelf, labels));
  const seen: Seen = {
    addedIn: (stepId) => {
      const poured: readonly Pouring[] = states[stepId]?.additions ?? [];
      const one = plan.steps.find((other) => other.id === stepId);
      return one ? asPutIn(one, contentsOf(stepId === step.id && fact && 'pouring' in fact ? [...poured, fact.pouring] : poured)) : [];
    },
    ph: fact && 'ph' in fact ? fact.ph : (own?.ph.at(-1)?.value ?? null),
    hottestC: fact && 'bathC' in fact ? fact.bathC : (own?.typedC.at(-1)?.bathC ?? null),
  };
  return rankFindings(checkStep({ ...factsOf(step, index, { ...context, seen }), fit: null, heatWindows: [] }, String));
}

const asPlanned = (substance: string, amount: Figure, unit: AmountUnit, shelf: Shelf): PlannedAmount => ({
  id: '',
  substance,
  name: shelf.nameOf(substance),
  unit,
  overruled: knownOf(amount),
  words: null,
  form: null,
  perDryG: null,
  proposed: { formula: '', inputs: [], result: null, unit, source: '', missing: [] },
});
