import { type Known, knownText } from '@/core/figure';
import { printDuration, printNumber } from '@/core/measure/print';
import { type AdditionRule, type PhaseTemplate, type Ref, resolveRef, type StepTemplate } from '@/core/method/method';
import { phAimText } from '@/core/plan/phAim';
import { phAimOf } from '@/core/plan/resolveAim';
import { unreachable } from '@/core/result';
import { blockedMore } from '@/core/safety/data/blocked';

type Params = Readonly<Record<string, Known>>;
const number = (ref: Ref | null, params: Params): string => {
  const value = ref === null ? null : resolveRef(ref, params);
  return value === null ? 'unknown' : knownText(value, printNumber);
};
const minutes = (ref: Ref, params: Params): string => {
  const value = resolveRef(ref, params);
  return value === null ? 'a time you set' : knownText(value, printDuration);
};

/** A phase of a method in words, with its usual figures. */
export function phaseTemplateText(phase: PhaseTemplate, params: Params): string {
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return `${phase.act} (${minutes(phase.minutes, params)}, hands)`;
    case 'raise':
      return `Heat up to ${number(phase.toC, params)} °C${phase.maxRateCPerMin === null ? '' : `, no faster than ${number(phase.maxRateCPerMin, params)} °C a minute`}`;
    case 'hold': {
      const band = phase.lowC === null || phase.highC === null ? 'by the clock' : `at ${number(phase.lowC, params)}–${number(phase.highC, params)} °C`;
      const ceiling = phase.ceilingC === null ? '' : `, never above ${number(phase.ceilingC, params)} °C`;
      const stir = phase.stirEveryMin === null ? '' : `; stir every ${number(phase.stirEveryMin, params)} min`;
      const flip = phase.flipAtMin === null ? '' : `; turn at ${number(phase.flipAtMin, params)} min`;
      return `Hold ${minutes(phase.minutes.typical, params)} ${band}${ceiling}${stir}${flip}`;
    }
    case 'dip':
      return `${phase.act}: ${minutes(phase.exactMin, params)}, exactly`;
    case 'soak':
      return `Soak about ${minutes(phase.minutes.typical, params)}${phase.checkEveryMin === null ? '' : `, a look every ${minutes(phase.checkEveryMin, params)}`}`;
    case 'until':
      return `Wait until ${phase.criterion}: a look every ${minutes(phase.checkEveryMin, params)}, usually about ${minutes(phase.minutes.typical, params)}`;
    case 'rest':
      return `Rest with the heat off about ${minutes(phase.minutes.typical, params)}${phase.overnightOk ? '; a night is fine' : ''}`;
    default:
      return unreachable(phase);
  }
}

/** Where the pH shall be, in words. */
export const phAimWords = (aim: StepTemplate['phAim'], params: Params): string => {
  const { phAim } = phAimOf(aim, params);
  return phAim ? phAimText(phAim) : 'an aim you set';
};

/** A quantity as a rule in words: "10 % of the fibre's weight". */
export function ruleText(rule: AdditionRule, params: Params): string {
  switch (rule.rule) {
    case 'wofPct':
      return `${number(rule.pct, params)} % of the fibre’s weight`;
    case 'mLPerL':
      return `${number(rule.dose, params)} mL per litre of bath`;
    case 'mLPerG':
      return `${number(rule.dose, params)} mL per gram of fibre`;
    case 'perPortion':
      return `${number(rule.dose, params)} ${rule.unit === 'piece' ? '×' : rule.unit} for each ${number(rule.portionG, params)} g`;
    case 'gPerL':
      return `${number(rule.dose, params)} g per litre of bath`;
    case 'toPh':
      return `as much as brings it to the pH aimed at; ${number(rule.dose, params)} ${rule.per === 'mLPerL' ? 'mL' : 'g'} per litre of bath where none is`;
    case 'bathPct':
      return `${number(rule.pct, params)} % of the whole bath by volume`;
    case 'ratio':
      return `${number(rule.ratio, params)} : 1 to the fibre`;
    case 'perPiece':
      return `${number(rule.count, params)} to a piece`;
    case 'times':
      return `${number(rule.count, params)} × ${number(rule.each, params)}`;
    case 'byEye':
      return rule.words;
    case 'blocked':
      return ['not supported: no dose is worked out.', blockedMore(rule.words)].filter(Boolean).join(' ');
    default:
      return unreachable(rule);
  }
}

export function bathText(step: StepTemplate, params: Params): string | null {
  if (!step.bath) return null;
  const of = step.bath.of && step.bath.of !== 'water' ? step.bath.of : 'water';
  if ('mL' in step.bath) return `${number(step.bath.mL, params)} mL ${of}`;
  if ('mLPerG' in step.bath) return `${number(step.bath.mLPerG, params)} mL ${of} per gram of fibre`;
  return `${number(step.bath.mLPerPortion, params)} mL ${of} for each ${number(step.bath.portionG, params)} g`;
}
