import { above } from '../measure/limits';
import { printDuration, printExactDuration } from '../measure/print';
import type { StepClock } from './clock';
import type { RunFact } from './events';
import { shortOf, TOLERANCE } from './tolerance';

/** What would be cut short by these acts, in words to ask about; null when nothing is. */
export function endsEarly(facts: readonly RunFact[], clocks: Readonly<Record<string, StepClock>>): string | null {
  for (const fact of facts) {
    if (fact.type !== 'stepFinished' && fact.type !== 'phaseEntered') continue;
    const now = clocks[fact.stepId]?.current;
    if (!now || (fact.type === 'phaseEntered' && fact.phaseIndex <= now.index)) continue;
    const { phase } = now;
    if (phase.kind === 'hold') {
      const got = phase.minutes.typical - (now.leftMin ?? 0);
      if (shortOf(got, phase.minutes) > 0) return `${printDuration(Math.max(0, got))} of ${printDuration(phase.minutes.min)} held`;
    }
    if (phase.kind === 'dip' && above((phase.exactMin - now.elapsedMin) * 60, TOLERANCE.dipS))
      return `${printExactDuration(now.elapsedMin * 60_000)} of ${printExactDuration(phase.exactMin * 60_000)} in`;
  }
  return null;
}
