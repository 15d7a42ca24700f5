'use client';
import { Button } from 'antd';
import { knownText } from '@/core/figure';
import { printPercent } from '@/core/measure/print';
import { blendQuestion, DOSE_OF, type DoseOf } from '@/core/plan/blend';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';

/** A blend takes dye with a part of its weight: what a percent is of is asked once, with both answers worked out. */
export function Blend({ plan, draft, onDraft }: { plan: Plan; draft: Draft; onDraft: (draft: Draft) => void }) {
  const print = usePrint();
  const question = blendQuestion(plan);
  if (!question) return null;
  const { answer, doses } = question;
  const weight = { whole: question.wholeG, share: question.shareG };
  const label: Record<DoseOf, string> = { whole: 'Of the whole weight', share: 'Of the share that takes dye' };
  const dosesText = (doseOf: DoseOf) =>
    doses.map((dose) => `${dose.name} ${dose[doseOf] === null ? 'unknown' : knownText(dose[doseOf], (value) => print.amount(value, dose.unit))}`).join(', ');
  return (
    <Panel label="Percent of what?" title="Percent of what?">
      <p>{question.lots.map((lot) => `${lot.name}: ${printPercent(lot.sharePct)} of it takes dye.`).join(' ')}</p>
      {DOSE_OF.map((doseOf) => (
        <div key={doseOf} className="line line-tight">
          <Button
            size="small"
            type={answer === doseOf ? 'primary' : 'default'}
            aria-pressed={answer === doseOf}
            onClick={() => onDraft({ ...draft, doseOf: answer === doseOf ? null : doseOf })}
          >
            {label[doseOf]}
            {weight[doseOf] === null ? '' : `, ${knownText(weight[doseOf], print.mass)}`}
          </Button>
          <span className="small">{dosesText(doseOf)}</span>
        </div>
      ))}
      {answer === null ? <p className="quiet small">Until somebody says, the whole weight counts.</p> : null}
    </Panel>
  );
}
