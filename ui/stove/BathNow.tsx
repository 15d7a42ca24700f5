'use client';
import type { Plan } from '@/core/plan/plan';
import { bathNow, risingNow } from '@/core/run/additionFindings';
import type { RunState } from '@/core/run/fold';
import { Findings } from '../shell/Findings';
import type { StoveCard } from './stoveView';

/** What to do now about baths as they really are. It was logged all the same: history is never refused. */
export function BathNow({ plan, cards, steps }: { plan: Plan; cards: readonly StoveCard[]; steps: RunState['steps'] }) {
  const findings = cards.flatMap((card) => [...bathNow(plan, card.step, steps), ...risingNow(plan, card.step, card.clock)]);
  if (findings.length === 0) return null;
  return (
    <section aria-label="What to do now">
      <p className="small">By what was logged and read of these baths:</p>
      <Findings
        findings={findings.map((finding) => ({ ...finding, severity: finding.severity === 'stopUnlessReason' ? 'caution' : finding.severity }))}
        stepTitle={(id) => plan.steps.find((step) => step.id === id)?.title ?? ''}
      />
    </section>
  );
}
