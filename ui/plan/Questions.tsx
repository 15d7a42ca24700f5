'use client';
import { type Draft, MORDANT_ANSWERS, type MordantQuestion, type Plan } from '@/core/plan/plan';
import { ANSWER_SAYS, usualMordant, withMordant } from '@/core/plan/questions';
import { nextItemId, withEntry } from './draft';

/** Lots whose mordant nobody is sure of: what either case would give, and the ways to find out or to be sure. */
export function Questions({ plan, draft, onDraft }: { plan: Plan; draft: Draft; onDraft: (draft: Draft) => void }) {
  if (plan.questions.length === 0) return null;
  const choose = (question: MordantQuestion, answer: (typeof MORDANT_ANSWERS)[number]) => {
    const lot = plan.lots.find((one) => one.id === question.lotId);
    onDraft(
      answer === 'mordantAnyway'
        ? withMordant(draft, question, usualMordant(lot?.composition ?? []), nextItemId(draft))
        : withEntry(draft, 'answers', question.lotId, answer),
    );
  };
  return (
    <section className="questions-asked" aria-label="Is it mordanted?">
      {plan.questions.map((question) => {
        const lot = plan.lots.find((one) => one.id === question.lotId);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a question with buttons, not a set of fields
          <div key={question.lotId} role="group" aria-label={`${lot?.name}: is it mordanted?`} className="mordant-question">
            <h2>
              {lot?.name}: is it mordanted? <span className={`certainty certainty-${question.state}`}>{question.state}</span>
            </h2>
            <p>
              <strong>If it is:</strong> {question.ifMordanted}
            </p>
            <p>
              <strong>If not:</strong> {question.ifNot}
            </p>
            <div className="answers">
              {MORDANT_ANSWERS.map((answer) => (
                <button
                  key={answer}
                  type="button"
                  className={`act act-small${question.answer === answer ? ' act-chosen' : ''}`}
                  aria-pressed={question.answer === answer}
                  title={ANSWER_SAYS[answer].does}
                  onClick={() => choose(question, answer)}
                >
                  {ANSWER_SAYS[answer].label}
                </button>
              ))}
            </div>
            {question.answer ? <p className="quiet small">{ANSWER_SAYS[question.answer].does}</p> : null}
          </div>
        );
      })}
    </section>
  );
}
