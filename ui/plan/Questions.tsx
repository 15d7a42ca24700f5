'use client';
import { Button } from 'antd';
import { type Draft, MORDANT_ANSWERS, type MordantAnswer } from '@/core/plan/draft';
import type { MordantQuestion, Plan } from '@/core/plan/plan';
import { ANSWER_SAYS, usualMordant, withMordant } from '@/core/plan/questions';
import { Help } from '../shell/Help';
import { Panel } from '../shell/Page';
import { nextItemId, withEntry } from './draft';

/** Lots whose mordant nobody is sure of: what either case would give, and the ways to find out or to be sure. */
export function Questions({ plan, draft, onDraft }: { plan: Plan; draft: Draft; onDraft: (draft: Draft) => void }) {
  const choose = (question: MordantQuestion, answer: MordantAnswer) => {
    const lot = plan.lots.find((one) => one.id === question.lotId);
    onDraft(
      answer === 'mordantAnyway'
        ? withMordant(draft, question, usualMordant(lot?.composition ?? []), nextItemId(draft))
        : withEntry(draft, 'answers', question.lotId, answer),
    );
  };
  return plan.questions.map((question) => {
    const name = `${plan.lots.find((one) => one.id === question.lotId)?.name}: is it mordanted?`;
    return (
      <Panel
        key={question.lotId}
        label={name}
        title={
          <>
            {name} <em className="quiet">{question.state}</em>
          </>
        }
      >
        <p>
          <strong>If it is:</strong> {question.ifMordanted}
        </p>
        <p>
          <strong>If not:</strong> {question.ifNot}
        </p>
        <div className="line line-tight">
          {MORDANT_ANSWERS.map((answer) => (
            <span key={answer}>
              <Button
                size="small"
                type={question.answer === answer ? 'primary' : 'default'}
                aria-pressed={question.answer === answer}
                onClick={() => choose(question, answer)}
              >
                {ANSWER_SAYS[answer].label}
              </Button>
              <Help word="why" of={ANSWER_SAYS[answer].label}>
                <p>{ANSWER_SAYS[answer].does}</p>
              </Help>
            </span>
          ))}
        </div>
        {question.answer ? <p className="quiet small">{ANSWER_SAYS[question.answer].does}</p> : null}
      </Panel>
    );
  });
}
