import { above } from '../measure/limits';
import { printDuration, printExactDuration } from '../measure/print';
import type { StepClock } from './clock';
import type { RunFact } from './events';

/** Shorter than this is no hold cut short: nobody’s hand is finer. */
const SLACK_MIN = 1;
const SLACK_SHARE = 0.03;
const DIP_SLACK_S = 5;

/** What would be cut short by these acts, in words to ask about; null when nothing is. */
export function endsEarly(facts: readonly RunFact[], clocks: Readonly<Record<string, StepClock>>): string | null {
  for (const fact of facts) {
    if (fact.type !== 'stepFinished' && fact.type !== 'phaseEntered') continue;
    const now = clocks[fact.stepId]?.current;
    if (!now || (fact.type === 'phaseEntered' && fact.phaseIndex <= now.index)) continue;
    const { phase } = now;
    if (phase.kind === 'hold' && !phase.minutes.open) {
      const got = phase.minutes.typical - (now.leftMin ?? 0);
      const { min } = phase.minutes;
      if (above(min - got, Math.max(SLACK_MIN, min * SLACK_SHARE))) return `${printDuration(Math.max(0, got))} of ${printDuration(min)} held`;
    }
    if (phase.kind === 'dip' && above((phase.exactMin - now.elapsedMin) * 60, DIP_SLACK_S))
      return `${printExactDuration(now.elapsedMin * 60_000)} of ${printExactDuration(phase.exactMin * 60_000)} in`;
  }
  return null;
}
