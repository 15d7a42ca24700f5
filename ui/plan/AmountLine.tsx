'use client';
import type { PlannedAmount } from '@/core/plan/plan';
import { usePrint } from '../shell/facts';
import { Help } from '../shell/Help';
import { WorkingLines } from '../shell/WorkingLines';
import { amountText } from './workingText';

/** A planned amount with its working; what a person set instead stands beside what was worked out. */
export function AmountLine({ amount }: { amount: PlannedAmount }) {
  const print = usePrint();
  const { proposed } = amount;
  return (
    <div className="line line-tight amount">
      <span>{amount.name}</span>
      <span className="figure">{amountText(amount, print)}</span>
      {amount.overruled === null ? null : (
        <span className="quiet small">
          You set {print.amount(amount.overruled, amount.unit)} instead
          {proposed.result === null ? '' : ` of ${print.amount(proposed.result, amount.unit)}`}
        </span>
      )}
      <Help word="working" of={amount.name}>
        <WorkingLines working={proposed} {...(proposed.result === null ? {} : { result: print.amount(proposed.result, amount.unit) })} />
      </Help>
    </div>
  );
}
