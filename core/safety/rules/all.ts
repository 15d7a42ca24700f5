import { above } from '../../measure/limits';
import type { Window } from '../../schedule/diary';
import type { StepFacts } from '../facts';
import { type Finding, rankFindings } from '../finding';
import type { Rule } from '../rule';
import { DOSE_RULES } from './doses';
import { FIBRE_RULES } from './fibre';
import { TOGETHER_RULES } from './together';
import { WORK_RULES } from './work';

/** Every rule there is, as one table. */
export const RULES: readonly Rule[] = [...DOSE_RULES, ...FIBRE_RULES, ...TOGETHER_RULES, ...WORK_RULES];

/** All that is to be said about one step, most severe first; one message a hazard. */
export function checkStep(facts: StepFacts, printTime: (ms: number) => string): Finding[] {
  const found = RULES.flatMap((rule) => rule.check(facts).map((said): Finding => ({ rule: rule.id, stepId: facts.stepId, ...said })));
  const absent = facts.heatWindows.flatMap((heat) => absentFinding(heat, facts.away, printTime, facts.stepId));
  return rankFindings([...found, ...absent]);
}

/** R14 / P6: heat while nobody is home and awake. A hold that ends as the quiet hours begin is clear of it. */
export function absentFinding(heat: Window, away: readonly Window[], printTime: (ms: number) => string, stepId: string | null): Finding[] {
  const clash = away.find((gap) => gap.fromMs < heat.toMs && gap.toMs > heat.fromMs);
  if (!clash) return [];
  const a = printTime(Math.max(clash.fromMs, heat.fromMs));
  const b = printTime(Math.min(clash.toMs, heat.toMs));
  return [
    { rule: 'R14', severity: 'stop', text: `Heat is planned from ${a} to ${b} while nobody is awake and near. Move it, or make it a heat-off rest.`, stepId },
  ];
}

/** P13: everything plugged in at one time against what the circuit gives. */
export function circuitFinding(loads: readonly (Window & { readonly watt: number | null })[], circuitW: number | null): Finding[] {
  if (circuitW === null) return [];
  let worstW = 0;
  for (const { fromMs } of loads) {
    const atOnce = loads.filter((load) => load.fromMs <= fromMs && fromMs < load.toMs).reduce((sum, load) => sum + (load.watt ?? 0), 0);
    worstW = Math.max(worstW, atOnce);
  }
  const share = worstW / circuitW;
  if (!above(share, 0.8)) return [];
  const text = `${Math.round(worstW)} W at once on a circuit of ${Math.round(circuitW)} W. Heat them in turn; ask an electrician about the circuit.`;
  return [{ rule: 'P13', severity: above(share, 1) ? 'stop' : 'caution', text, stepId: null }];
}

export const PLAN_FOOTER = 'Cautions cover common hazards only. Read the label and safety data sheet of what you hold.';
