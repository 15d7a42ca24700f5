'use client';
import type { ReactNode } from 'react';
import { printAmount, printNumber } from '@/core/measure/print';
import type { Plan, PlannedAmount, PlanStep } from '@/core/plan/plan';
import { PLAN_FOOTER } from '@/core/safety/rules/all';
import { printDayClock } from '@/core/time/zone';
import { Findings } from '../shell/Findings';
import { StitchPatch } from '../theme/stitches';
import { amountText, phaseText, whyText, workingLines } from './workingText';

interface Props {
  readonly plan: Plan;
  readonly step: PlanStep;
  /** Fields to overrule an amount, where the plan can still be changed. */
  readonly overrule?: (amount: PlannedAmount) => ReactNode;
  readonly children?: ReactNode;
}

/** One step opened: quantities with their working, phases, fit, cautions, and why it is not earlier. */
export function StepDetails({ plan, step, overrule, children }: Props) {
  const vessel = plan.vessels.find((v) => v.id === step.vesselId);
  const { zone } = plan.home.diary;
  const amounts = [...step.additions, ...(step.water ? [step.water] : [])];
  return (
    <div className="step-details">
      <header>
        <StitchPatch kind={step.kind} />
        <div>
          <h2>{step.title}</h2>
          <p className="quiet">
            {step.school} · {vessel?.name ?? 'no vessel'} · {printDayClock(step.startMs, zone)} to {printDayClock(step.endMs, zone)}
          </p>
        </div>
      </header>
      <Findings findings={step.findings} />
      {amounts.length > 0 ? (
        <section>
          <h3>Quantities</h3>
          {amounts.map((amount) => (
            <details key={amount.id} className="amount">
              <summary>
                <span>{amount.name}</span>
                <span className="figure">{amountText(amount)}</span>
              </summary>
              <ul>
                {workingLines(amount).map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
              {amount.overruled === null ? null : <p>You set {printAmount(amount.overruled, amount.unit)} instead; the worked-out figure is kept beside it.</p>}
              {overrule?.(amount)}
            </details>
          ))}
          {step.fit ? (
            <p className="quiet">
              Fills {vessel?.name} to {printNumber(step.fit.fillPct)} % of the brim; {printNumber(step.fit.totalKg)} kg in all.
            </p>
          ) : (
            <p className="quiet">{vessel?.litres ? 'How full it gets is unknown until the weights are known.' : ''}</p>
          )}
        </section>
      ) : null}
      {children}
      <section>
        <h3>How it goes</h3>
        <ol className="phases">
          {step.phases.map((phase, i) => (
            <li key={`${step.id}${phase.kind}${step.phaseTimes[i]?.fromMs}`}>{phaseText(phase)}</li>
          ))}
        </ol>
        {step.lookFor ? <p>Look for: {step.lookFor}</p> : null}
        <p className="quiet">Why this way: {step.why}</p>
      </section>
      <section>
        <h3>Not earlier</h3>
        <p>{whyText(step.whyNotEarlier, plan)}</p>
      </section>
      <p className="quiet small">{PLAN_FOOTER}</p>
    </div>
  );
}
