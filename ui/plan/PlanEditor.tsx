'use client';
import { DatePicker, Input } from 'antd';
import { useEffect, useState } from 'react';
import type { LotView } from '@/contract/views';
import type { BuiltPlan } from '@/core/plan/buildPlan';
import { blendNote } from '@/core/plan/buildPlan';
import type { Draft, Plan, PlanProblem, Vessel } from '@/core/plan/plan';
import { isStop } from '@/core/safety/finding';
import { errorText, post, Refused } from '../api/http';
import type { Book } from '../api/useBook';
import { Findings } from '../shell/Findings';
import { dayjsIn, msFromPicker } from '../shell/zonedPicker';
import { Warp } from '../warp/Warp';
import { ChainEditor } from './ChainEditor';
import { itemOfProblem } from './draft';
import { LotPicker } from './LotPicker';
import { PlanTotals } from './PlanHead';
import { Questions } from './Questions';

interface Props {
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly lots: readonly LotView[];
  readonly vessels: readonly Vessel[];
  readonly book: Book;
  readonly zone: string;
  readonly head: React.ReactNode;
  /** Shown beside the totals: the button that keeps the plan. */
  readonly keep: (plan: Plan | null) => React.ReactNode;
}

const PREVIEW_AFTER_MS = 250;

/** A draft on the left, the plan it makes on the right, worked out anew after every change. */
export function PlanEditor({ draft, onDraft, lots, vessels, book, zone, head, keep }: Props) {
  const [built, setBuilt] = useState<BuiltPlan>({ plan: null, problems: [] });
  const [lastPlan, setLastPlan] = useState<Plan | null>(null);
  useEffect(() => {
    let dropped = false;
    const timer = setTimeout(() => {
      post<BuiltPlan>('/plans/preview', draft).then(
        (answer) => {
          if (dropped) return;
          setBuilt(answer);
          if (answer.plan) setLastPlan(answer.plan);
        },
        (error: unknown) => {
          if (!dropped)
            setBuilt({
              plan: null,
              problems: error instanceof Refused && error.problem.errors.length > 0 ? error.problem.errors : [{ at: '', message: errorText(error) }],
            });
        },
      );
    }, PREVIEW_AFTER_MS);
    return () => {
      dropped = true;
      clearTimeout(timer);
    };
  }, [draft]);
  const shown = built.plan ?? lastPlan;
  const general = built.problems.filter((problem) => itemOfProblem(problem.at, draft) === null);
  const chosenLots = lots.filter((lot) => draft.lotIds.includes(lot.id));
  const note = blendNote(chosenLots);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <div className="page-title">{head}</div>
        {keep(built.plan)}
      </header>
      <div className="editor">
        <form className="editor-form" onSubmit={(event) => event.preventDefault()}>
          <label className="field">
            <span>Name</span>
            <Input value={draft.name} maxLength={120} placeholder="What will it be?" onChange={(event) => onDraft({ ...draft, name: event.target.value })} />
          </label>
          <label className="field" htmlFor="plan-start">
            <span>Begin at the earliest</span>
            <DatePicker
              id="plan-start"
              showTime={{ format: 'HH:mm', minuteStep: 5 }}
              format="ddd D MMM YYYY HH:mm"
              value={dayjsIn(draft.startMs, zone)}
              allowClear={false}
              needConfirm={false}
              onChange={(value) => value && onDraft({ ...draft, startMs: msFromPicker(value, zone) })}
              style={{ width: '100%' }}
            />
          </label>
          <LotPicker lots={lots} chosen={draft.lotIds} onChoose={(lotIds) => onDraft({ ...draft, lotIds })} />
          {note ? <p className="quiet small">{note}</p> : null}
          <ChainEditor draft={draft} onDraft={onDraft} plan={shown} problems={built.problems} lots={chosenLots} vessels={vessels} book={book} zone={zone} />
        </form>
        <div className="editor-plan" aria-live="polite">
          <Problems problems={general} />
          {shown ? (
            <div className={built.plan ? undefined : 'stale'}>
              <PlanTotals plan={shown} />
              {built.plan ? null : <p className="banner">This is the plan before your last change. Mend what is marked and it is worked out again.</p>}
              <Questions plan={shown} draft={draft} onDraft={onDraft} />
              <Findings findings={shown.findings} stepTitle={(id) => shown.steps.find((s) => s.id === id)?.title ?? ''} />
              <Warp plan={shown} onChoose={(stepId) => document.getElementById(`item-${stepId.split('-')[0]}`)?.scrollIntoView({ block: 'start' })} />
            </div>
          ) : (
            <p className="page-state">Choose a lot, and the plan hangs here: vessels side by side, time down the page.</p>
          )}
        </div>
      </div>
    </div>
  );
}

export const Problems = ({ problems }: { problems: readonly PlanProblem[] }) =>
  problems.length === 0 ? null : (
    <div className="problems" role="alert">
      <ul>
        {problems.map((problem) => (
          <li key={`${problem.at}${problem.message}`}>{problem.message}</li>
        ))}
      </ul>
    </div>
  );

export const canKeep = (plan: Plan | null): boolean => plan !== null && plan.name !== '';
export const isHeld = (plan: Plan | null): boolean => plan?.findings.some(isStop) ?? false;
