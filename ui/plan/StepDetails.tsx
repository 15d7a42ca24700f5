'use client';
import { printNumber } from '@/core/measure/print';
import { phAimText } from '@/core/plan/phAim';
import { phDoseText } from '@/core/plan/phDose';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { PLAN_FOOTER } from '@/core/safety/rules/all';
import { Findings } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Trade } from '../shell/Help';
import { StitchPatch } from '../theme/stitches';
import { AmountLine } from './AmountLine';
import { phaseText, whyText } from './workingText';

/** One step opened: quantities with their working, phases, fit, cautions, and why it is not earlier. */
export function StepDetails({ plan, step }: { plan: Plan; step: PlanStep }) {
  const print = usePrint();
  const vessel = plan.vessels.find((v) => v.id === step.vesselId);
  const amounts = [...step.additions, ...(step.water ? [step.water] : [])];
  return (
    <div className="stack">
      <header className="line line-tight">
        <StitchPatch kind={step.kind} />
        <h2>{step.title}</h2>
        <p className="quiet">
          {step.school} · {vessel?.name ?? 'no vessel'} · {print.date(step.startMs, step.startMs)} to {print.date(step.endMs, step.startMs)}
        </p>
      </header>
      <Findings findings={step.findings} />
      {amounts.length > 0 ? (
        <section className="stack stack-tight">
          <h3>Quantities</h3>
          {amounts.map((amount) => (
            <AmountLine key={amount.id} amount={amount} />
          ))}
          {step.fit ? (
            <p className="quiet">
              Fills {vessel?.name} to {printNumber(step.fit.fillPct)} % of the brim; {print.mass(step.fit.totalKg * 1000)} in all.
            </p>
          ) : vessel?.litres ? (
            <p className="quiet">How full it gets is unknown until the weights are known.</p>
          ) : null}
        </section>
      ) : null}
      <section className="stack stack-tight">
        <h3>How it goes</h3>
        <ol>
          {step.phases.map((phase, i) => (
            <li key={`${step.id}${phase.kind}${step.phaseTimes[i]?.fromMs}`}>
              <span className="figure quiet">{i + 1}</span> {phaseText(phase, print)}
            </li>
          ))}
        </ol>
        {step.phAim ? (
          <p>
            pH: {phAimText(step.phAim)}, before it goes on. {print.says(phDoseText(step, plan))}
          </p>
        ) : null}
        {step.lookFor ? <p>Look for: {step.lookFor}</p> : null}
        <p className="quiet">
          Why this way: <Trade>{step.why}</Trade>
        </p>
      </section>
      <p>
        <strong>Not earlier:</strong> {whyText(step.whyNotEarlier, plan, print)}
      </p>
      <p className="quiet small">{PLAN_FOOTER}</p>
    </div>
  );
}
