'use client';
import { knownText } from '@/core/figure';
import { printDuration } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { planTotals } from '@/core/plan/totals';
import { usePrint } from '../shell/facts';

/** Span, hands, heat, and how much sooner it could end at the very best. */
export function PlanTotals({ plan }: { plan: Plan }) {
  const print = usePrint();
  const totals = planTotals(plan);
  const slackMin = (totals.endMs - plan.boundMs) / 60_000;
  return (
    <div className="line">
      <span>
        {print.date(totals.startMs, totals.startMs)} to {print.date(totals.endMs, totals.startMs)}
      </span>
      <span>hands {printDuration(totals.handsMin)}</span>
      <span>holds and waits {knownText(totals.holdsMin, printDuration)}</span>
      <span>heat {knownText(totals.heatMin, printDuration)}</span>
      <span className="quiet">{slackMin < 1 ? 'Cannot end sooner' : `With every wait at its least: at most ${printDuration(slackMin)} sooner`}</span>
    </div>
  );
}
