import { printDuration } from '@/core/measure/print';
import { type Plan, planTotals } from '@/core/plan/plan';
import { printDayClock } from '@/core/time/zone';

/** Span, hands, heat, and how much sooner it could end at the very best. */
export function PlanTotals({ plan }: { plan: Plan }) {
  const totals = planTotals(plan);
  const { zone } = plan.home.diary;
  const slackMin = (totals.endMs - plan.boundMs) / 60_000;
  return (
    <p className="totals">
      <span>
        {printDayClock(totals.startMs, zone)} to {printDayClock(totals.endMs, zone)}
      </span>
      <span>hands {printDuration(totals.handsMin)}</span>
      <span>heat {printDuration(totals.heatMin)}</span>
      <span className="quiet">{slackMin < 1 ? 'Cannot end sooner' : `Could end at most ${printDuration(slackMin)} sooner`}</span>
    </p>
  );
}
