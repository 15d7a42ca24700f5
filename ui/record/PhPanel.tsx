'use client';
import { useMemo } from 'react';
import type { RunView } from '@/contract/views';
import { printNumber } from '@/core/measure/print';
import { type PhAim, phAimText, phStanding } from '@/core/plan/phAim';
import { foldRun } from '@/core/run/fold';
import { usePrint } from '../shell/facts';
import { Guard } from '../shell/Guard';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';

const CHART_PX = 220;
const PhChart = later(() => import('./PhChart').then((module) => module.PhChart));

const STANDING_WORD = { within: 'where it shall be', notYet: 'not there yet', overshot: 'overshot' } as const;

/** Each strip of each bath, with its aim, as a curve and in words. Nothing at all where nobody measured. */
export function PhPanel({ view }: { view: RunView }) {
  const print = usePrint();
  const baths = useMemo(() => {
    const state = foldRun(view.plan.steps, view.events);
    return view.plan.steps.flatMap((step) => {
      const strips = state.steps[step.id]?.ph ?? [];
      return strips.length > 0 ? [{ step, strips }] : [];
    });
  }, [view.plan, view.events]);
  if (baths.length === 0) return null;
  return (
    <Panel title="pH" label="pH">
      {baths.map(({ step, strips }) => (
        <section key={step.id} className="stack stack-tight">
          <h3>{step.title}</h3>
          {strips.length > 1 ? (
            <div className="chart" style={{ height: CHART_PX }}>
              <Guard what="The curve">
                <PhChart label={`pH of ${step.title}`} strips={strips} aim={step.phAim ?? null} />
              </Guard>
            </div>
          ) : null}
          <p className="small">
            {step.phAim ? `Aim ${phAimText(step.phAim)}: ` : ''}
            {strips.map(({ atMs, value }) => `${printNumber(value)} at ${print.clock(atMs)}${standingText(step.phAim, value)}`).join('; ')}.
          </p>
        </section>
      ))}
    </Panel>
  );
}

const standingText = (aim: PhAim | undefined, ph: number): string => (aim ? `, ${STANDING_WORD[phStanding(aim, ph)]}` : '');
