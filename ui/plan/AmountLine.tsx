'use client';
import { resultOf } from '@/core/dose/working';
import type { PlannedAmount } from '@/core/plan/plan';
import { plantWords } from '@/core/shelf/plantDetail';
import { usePrint } from '../shell/facts';
import { Help } from '../shell/Help';
import { figureIn, WorkingLines } from '../shell/WorkingLines';
import { amountText } from './workingText';

/** A planned amount with its working; what a person set instead stands beside what was worked out. */
export function AmountLine({ amount }: { amount: PlannedAmount }) {
  const print = usePrint();
  const { proposed } = amount;
  const result = resultOf(proposed);
  return (
    <div className="line line-tight amount">
      <span>{amount.name}</span>
      <span className="figure">{amountText(amount, print)}</span>
      {amount.overruled === null && proposed.result !== null && proposed.between ? (
        <span className="quiet small">most likely; {figureIn(proposed.between, proposed.unit, print)}</span>
      ) : null}
      {amount.overruled === null ? null : (
        <span className="quiet small">
          {result === null ? 'as you said' : `You set ${figureIn(amount.overruled, amount.unit, print)} instead of ${figureIn(result, proposed.unit, print)}`}
        </span>
      )}
      {amount.detail ? <span className="quiet small">{plantWords(amount.detail)}</span> : null}
      {amount.about ? <span className="quiet small">guessed by eye</span> : null}
      <Help word="working" of={amount.name}>
        <WorkingLines working={proposed} />
      </Help>
    </div>
  );
}
