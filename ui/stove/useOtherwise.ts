'use client';
import { useState } from 'react';
import type { PlanStep } from '@/core/plan/plan';
import type { Moment, Otherwise, SaidTrouble } from '@/core/run/otherwise';
import { troubleSaid } from '@/core/run/troublesSaid';
import { troublesSeen } from '@/core/run/troublesSeen';

/** What was left or answered is not spoken of for so long; of lateness, until it is so much more. */
const QUIET_MS = 10 * 60_000;
const LATER_BY_MIN = 5;

interface Left {
  readonly atMs: number;
  readonly lateMin: number;
}
const keyOf = ({ trouble, stepId }: Otherwise): string => `${trouble}/${stepId ?? ''}`;

export interface OtherwiseNow {
  /** What there is to choose about now: what a person said goes before what is seen by itself. */
  readonly otherwise: Otherwise | null;
  readonly say: (trouble: SaidTrouble, step: PlanStep) => void;
  /** It was answered, or left as it is. */
  readonly close: () => void;
}

/** Which of the things that go otherwise is put before the dyer: one at a time. */
export function useOtherwise(moment: Moment, isFinished: boolean): OtherwiseNow {
  const [said, setSaid] = useState<{ readonly trouble: SaidTrouble; readonly stepId: string } | null>(null);
  const [left, setLeft] = useState<Readonly<Record<string, Left>>>({});
  const { plan, nowMs, lateMin } = moment;
  const saidStep = said && plan.steps.find(({ id }) => id === said.stepId);
  const isQuiet = (one: Otherwise): boolean => {
    const was = left[keyOf(one)];
    if (!was) return false;
    return one.trouble === 'late' ? lateMin <= was.lateMin + LATER_BY_MIN : nowMs - was.atMs < QUIET_MS;
  };
  const otherwise = isFinished
    ? null
    : said && saidStep
      ? troubleSaid(said.trouble, saidStep, moment)
      : (troublesSeen(moment).find((one) => !isQuiet(one)) ?? null);
  return {
    otherwise,
    say: (trouble, { id: stepId }) => setSaid({ trouble, stepId }),
    close: () => {
      if (!said && otherwise) setLeft({ ...left, [keyOf(otherwise)]: { atMs: nowMs, lateMin } });
      setSaid(null);
    },
  };
}
