'use client';
import type { Plan } from '@/core/plan/plan';
import { bathNow } from '@/core/run/additionFindings';
import type { RunState } from '@/core/run/fold';
import { Findings } from '../shell/Findings';
import type { StoveCard } from './stoveView';

/** What to do now about baths as they really are. It was logged all the same: history is never refused. */
export function BathNow({ plan, cards, steps }: { plan: Plan; cards: readonly StoveCard[]; steps: RunState['steps'] }) {
  const findings = cards.flatMap((card) => bathNow(plan, card.step, steps));
  if (findings.length === 0) return null;
  return (
    <section aria-label="What to do now">
      <p className="small">By what was logged into these baths:</p>
      <Findings
        findings={findings.map((finding) => ({ ...finding, severity: finding.severity === 'stopUnlessReason' ? 'caution' : finding.severity }))}
        stepTitle={(id) => plan.steps.find((step) => step.id === id)?.title ?? ''}
      />
    </section>
  );
}
