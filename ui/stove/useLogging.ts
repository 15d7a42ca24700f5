'use client';
import { useState } from 'react';
import type { PlanStep } from '@/core/plan/plan';
import type { StepClock } from '@/core/run/clock';
import { endsEarly } from '@/core/run/endsEarly';
import type { RunFact } from '@/core/run/events';
import { farOff } from '@/core/run/farOff';
import type { RunState } from '@/core/run/fold';
import { nowMs } from '../api/serverClock';
import type { LiveRun } from '../api/useRun';
import { asEarly, asFarOff, type Early } from './EarlyEnd';
import type { Logged } from './LastAct';

type Change = Extract<RunFact, { type: 'amended' }>['change'];

export interface Logging {
  /** Writes them down as they were at that time, unasked. */
  readonly logAt: (facts: readonly RunFact[], text: string, atMs: number) => void;
  /** Writes them down; a hold that would end early by it is asked about first. */
  readonly log: (facts: readonly RunFact[], text: string, agoMin?: number) => void;
  /** What was logged last, to be set back or taken back. */
  readonly last: Logged | null;
  readonly forget: () => void;
  readonly amendLast: (change: Change) => void;
  readonly takeBack: () => void;
  readonly early: Early | null;
  readonly closeEarly: () => void;
}

/** How acts of the stove get into its log, and out again. */
export function useLogging(
  run: Pick<LiveRun, 'act'>,
  clocks: Readonly<Record<string, StepClock>>,
  steps: readonly PlanStep[],
  states: RunState['steps'],
): Logging {
  const [last, setLast] = useState<Logged | null>(null);
  const [early, setEarly] = useState<Early | null>(null);
  const logAt = (facts: readonly RunFact[], text: string, atMs: number) => {
    // A moment apart, so that two facts of one tap keep their order.
    const ids = facts.map((fact, i) => run.act(fact, atMs + i).id);
    setLast({ ids, atMs, text });
  };
  const log = (facts: readonly RunFact[], text: string, agoMin = 0) => {
    const go = () => logAt(facts, text, nowMs() - agoMin * 60_000);
    // A slip of a wet hand ends no hold unasked, however far it is set back, and pours no ten times of anything.
    const short = endsEarly(facts, clocks, agoMin);
    if (short !== null) return setEarly(asEarly(short, go));
    const off = facts.flatMap((fact) => {
      const step = fact.type === 'addition' ? steps.find(({ id }) => id === fact.stepId) : undefined;
      return fact.type === 'addition' && step ? (farOff(step, states[step.id], fact) ?? []) : [];
    });
    return off[0] === undefined ? go() : setEarly(asFarOff(off[0], go));
  };
  const amendLast = (change: Change) => {
    for (const targetId of last?.ids ?? []) run.act({ type: 'amended', targetId, change });
    setLast(null);
  };
  const takeBack = () => amendLast({ kind: 'withdrawn', reason: 'taken back' });
  return { logAt, log, last, forget: () => setLast(null), amendLast, takeBack, early, closeEarly: () => setEarly(null) };
}
