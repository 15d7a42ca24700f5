'use client';
import { useState } from 'react';
import type { Choice, Moment, Otherwise, SaidTrouble } from '@/core/run/otherwise';
import { troubleSaid } from '@/core/run/troublesSaid';
import { troublesSeen } from '@/core/run/troublesSeen';
import { ChoiceStrip } from './ChoiceStrip';
import { keepLeft, type LeftTroubles, leftTroubles } from './leftTroubles';

/** What was left or answered is not spoken of for so long; of lateness, until it is so much more. */
const QUIET_MS = 10 * 60_000;
const LATER_BY_MIN = 5;

/** How late the day was when that was left stays known for longer: it is spoken of once it got later. */
const KEPT_MS = 24 * 60 * 60_000;

/** What a person said went otherwise, and where. */
export interface Said {
  readonly trouble: SaidTrouble;
  readonly stepId: string;
}

interface Props {
  readonly runId: string;
  readonly moment: Moment;
  readonly said: Said | null;
  /** What was said was answered, or left. */
  readonly onHeard: () => void;
  readonly onTake: (choice: Choice, stepId: string | null) => void;
}

const keyOf = ({ trouble, stepId }: Otherwise): string => `${trouble}/${stepId ?? ''}`;

/** Which of the things that go otherwise is put before the dyer: one at a time, what a person said before what is seen by itself. */
export function OtherwiseStrip({ runId, moment, said, onHeard, onTake }: Props) {
  const [left, setLeft] = useState<LeftTroubles>(() => leftTroubles(runId));
  const { plan, nowMs, lateMin } = moment;
  const isQuiet = (one: Otherwise): boolean => {
    const was = left[keyOf(one)];
    if (!was) return false;
    return one.trouble === 'late' ? lateMin <= was.lateMin + LATER_BY_MIN : nowMs - was.atMs < QUIET_MS;
  };
  const saidStep = said && plan.steps.find(({ id }) => id === said.stepId);
  const otherwise = said && saidStep ? troubleSaid(said.trouble, saidStep, moment) : troublesSeen(moment).find((one) => !isQuiet(one));
  if (!otherwise) return null;
  const close = () => {
    if (said) onHeard();
    else {
      const next = { ...left, [keyOf(otherwise)]: { atMs: nowMs, lateMin } };
      setLeft(next);
      keepLeft(runId, next, nowMs, KEPT_MS);
    }
  };
  return (
    <ChoiceStrip
      plan={plan}
      otherwise={otherwise}
      onTake={(choice) => {
        close();
        onTake(choice, otherwise.stepId);
      }}
      onClose={close}
    />
  );
}
