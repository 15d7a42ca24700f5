import { type Band, bandOf } from '../chem/band';
import { doseFor, inSteps } from '../chem/forecast';
import { isLiquid, movesPh } from '../chem/freed';
import type { Working } from '../dose/working';
import type { Known } from '../figure';
import { printAmount } from '../measure/print';
import { err, ok, type Result } from '../result';
import { type PhAim, phAimText } from './phAim';
import { bathC, middleOf, productFactorIn, strengthIn, tapOf, tapPhOf, VOLUME_OFF_PCT } from './phGiven';
import { amountOf, type Plan, type PlanStep } from './plan';

interface Asked {
  readonly substance: string;
  readonly aim: PhAim;
  readonly bathMl: Known;
  /** The home's water, mg/L as CaCO3. */
  readonly alkalinityMgL: Band;
  readonly tapPh: Band;
  /** Of the bath while it is brought there. */
  readonly tempC: number;
  /** By substance: the form or strength on its label. */
  readonly labels: Readonly<Record<string, string>>;
}

const unitOf = (substance: string): 'mL' | 'g' => (isLiquid(substance) ? 'mL' : 'g');

/**
 * How much of what is on the shelf brings plain water of this home into the middle of an aim, g or mL: the most likely, and from where to
 * where, by what is not known of water, label and volume; no finer than a strip can tell. Or what is to be known first.
 */
function doseTo({ substance, aim, bathMl, alkalinityMgL, tapPh, tempC, labels }: Asked): Result<Band, string> {
  const volumeMl = bandOf(bathMl, VOLUME_OFF_PCT);
  if (!volumeMl) return err('how much is in the bath');
  if (!movesPh(substance)) return err('something that moves the pH');
  const dose = doseFor(
    { volumeMl, alkalinityMgL, tapPh, tempC, measuredPh: null, buffer: [] },
    { substance, strengthPct: strengthIn(substance, labels) },
    middleOf(aim),
  );
  if (!dose.ok) return err(`another pH, or another stuff (${dose.why.replace(/\.$/, '')})`);
  const per = productFactorIn(substance, labels);
  const round = (value: number): number => Number(value.toPrecision(2));
  const { low, likely, high } = dose.amount;
  return ok({ low: round(low * per.low), likely: round(likely * per.likely), high: round(high * per.high) });
}

/** A quantity by the pH it brings the bath to. Plant matter takes up more than water does, which no table tells: at the stove strips go before it. */
export function phDose(asked: Asked): Working {
  const { substance, aim, bathMl, alkalinityMgL, labels } = asked;
  const unit = unitOf(substance);
  const strength = strengthIn(substance, labels);
  const base = {
    formula: `as much as brings water to pH ${phAimText(aim)}, by charge balance`,
    inputs: [
      { name: 'bath', value: bathMl, unit: 'mL' },
      { name: 'alkalinity of the water', value: { least: alkalinityMgL.low, most: alkalinityMgL.high }, unit: 'mg/L as CaCO₃' },
      ...(unit === 'mL'
        ? [{ name: 'strength', value: strength.low === strength.high ? strength.low : { least: strength.low, most: strength.high }, unit: '%' }]
        : []),
    ],
    unit,
    source: 'equilibrium constants as the bench opens them; what plant matter takes no table knows',
  };
  const dose = doseTo(asked);
  if (!dose.ok) return { ...base, result: null, missing: [dose.error] };
  return { ...base, result: dose.value.likely, between: { least: dose.value.low, most: dose.value.high }, missing: [] };
}

/**
 * How to bring a planned bath to its pH: how much it may take by the home's water alone, and in which steps.
 * @returns empty where the step has no aim, nothing in it moves a pH, or its volume is not known
 */
export function phDoseText(step: Pick<PlanStep, 'phAim' | 'additions' | 'water' | 'fit' | 'phases'>, plan: Pick<Plan, 'home' | 'labels' | 'draft'>): string {
  const { phAim } = step;
  const own = step.additions.find(({ substance }) => movesPh(substance));
  if (!phAim || !own) return '';
  const { band: alkalinityMgL, from } = tapOf(plan.home);
  const bathMl = step.water ? amountOf(step.water) : (step.fit?.filledMl ?? null);
  const given = { alkalinityMgL, tapPh: tapPhOf(plan.home), tempC: bathC(step.phases) };
  const dose = doseTo({ substance: own.substance, aim: phAim, bathMl, ...given, labels: { ...plan.labels, ...plan.draft.labels } });
  if (!dose.ok) return '';
  const print = (value: number): string => printAmount(value, unitOf(own.substance));
  const { low, likely, high } = dose.value;
  const steps = inSteps(likely)
    .map((value) => print(Number(value.toPrecision(2))))
    .join(', ');
  const tap = from === 'nothing' ? 'any tap water, since nobody said how hard yours is' : 'your water';
  return `To pH ${phAimText(phAim)} by the sum about ${print(likely)} ${own.name} (${print(low)} to ${print(high)}, with ${tap}), in steps of ${steps}: stir, measure, next. The plant in it takes some more, or less: the strip tells.`;
}
