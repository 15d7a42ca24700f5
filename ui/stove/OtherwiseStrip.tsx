'use client';
import { useState } from 'react';
import type { Choice, Moment, Otherwise, SaidTrouble } from '@/core/run/otherwise';
import { troubleSaid } from '@/core/run/troublesSaid';
import { troublesSeen } from '@/core/run/troublesSeen';
import { ChoiceStrip } from './ChoiceStrip';

/** What was left or answered is not spoken of for so long; of lateness, until it is so much more. */
const QUIET_MS = 10 * 60_000;
const LATER_BY_MIN = 5;

interface Left {
  readonly atMs: number;
  readonly lateMin: number;
}
/** What a person said went otherwise, and where. */
export interface Said {
  readonly trouble: SaidTrouble;
  readonly stepId: string;
}

interface Props {
  readonly moment: Moment;
  readonly said: Said | null;
  /** What was said was answered, or left. */
  readonly onHeard: () => void;
  readonly onTake: (choice: Choice, stepId: string | null) => void;
}

const keyOf = ({ trouble, stepId }: Otherwise): string => `${trouble}/${stepId ?? ''}`;

/** Which of the things that go otherwise is put before the dyer: one at a time, what a person said before what is seen by itself. */
export function OtherwiseStrip({ moment, said, onHeard, onTake }: Props) {
  const [left, setLeft] = useState<Readonly<Record<string, Left>>>({});
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
    else setLeft({ ...left, [keyOf(otherwise)]: { atMs: nowMs, lateMin } });
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
