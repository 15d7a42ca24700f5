import { above } from '../measure/limits';
import { printDuration, printExactDuration } from '../measure/print';
import type { StepClock } from './clock';
import type { RunFact } from './events';
import { shortOf, TOLERANCE } from './tolerance';

/** What would be cut short by these acts, in words to ask about; null when nothing is. @param agoMin set back by so much */
export function endsEarly(facts: readonly RunFact[], clocks: Readonly<Record<string, StepClock>>, agoMin = 0): string | null {
  for (const fact of facts) {
    if (fact.type !== 'stepFinished' && fact.type !== 'phaseEntered') continue;
    const now = clocks[fact.stepId]?.current;
    if (!now || (fact.type === 'phaseEntered' && fact.phaseIndex <= now.index)) continue;
    const { phase } = now;
    if (phase.kind === 'hold') {
      const got = phase.minutes.typical - (now.leftMin ?? 0) - agoMin;
      if (shortOf(got, phase.minutes) > 0) return `${printDuration(Math.max(0, got))} of ${printDuration(phase.minutes.min)} held`;
    }
    const inMin = Math.max(0, now.elapsedMin - agoMin);
    if (phase.kind === 'dip' && above((phase.exactMin - inMin) * 60, TOLERANCE.dipS))
      return `${printExactDuration(inMin * 60_000)} of ${printExactDuration(phase.exactMin * 60_000)} in`;
  }
  return null;
}
