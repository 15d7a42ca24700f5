'use client';
import { Button } from 'antd';
import { printDuration } from '@/core/measure/print';
import { isHeated } from '@/core/plan/phase';
import type { Plan } from '@/core/plan/plan';
import { type CallAct, LET_GO_CALLS, PUT_OFF_CALLS, type RunFact } from '@/core/run/events';
import type { Nudge } from '@/core/run/nudges';
import { tripOf } from '@/core/run/trip';
import { byUrgency } from '@/core/run/urgency';
import { nowMs as clockMs } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { HandMark, StopMark } from '../shell/Marks';
import type { Asked } from './AskDialog';
import { CALL_ACTS } from './acts';
import { answerTo, type StoveView, untilText } from './stoveView';

// What opens on a tap is fetched a moment later; its button keeps its place.
export const LaterMenu = later(
  () => import('./LaterMenu').then((module) => module.LaterMenu),
  <Button size="large" className="call-quiet" disabled>
    {CALL_ACTS.later.label}
  </Button>,
);

interface Props {
  readonly view: StoveView;
  readonly plan: Plan;
  readonly nowMs: number;
  readonly onAnswer: (facts: readonly RunFact[], text: string) => void;
  readonly onAsk: (asked: Asked) => void;
  readonly onFinish: () => void;
  /** While this device rings: it was heard, and rings nowhere any more. */
  readonly onQuiet?: () => void;
}

/** The one next act, large; what else the trip serves; when the next one is. */
export function CallStrip({ view, plan, nowMs, onAnswer, onAsk, onFinish, onQuiet }: Props) {
  const print = usePrint();
  const trip = tripOf(byUrgency(view.nudges, nowMs), (nudge) => nudge, nowMs);
  if (view.allOver) {
    return (
      <section className="call call-due" aria-label="Next act">
        <HandMark size={30} />
        <p className="call-text row-main" aria-live="polite">
          Everything is done
        </p>
        <Button type="primary" size="large" onClick={onFinish}>
          Finish the run
        </Button>
      </section>
    );
  }
  if (!trip) {
    return (
      <section className="call" aria-label="Next act">
        <p className="call-text" aria-live="polite">
          Nothing needs hands
        </p>
      </section>
    );
  }
  const { first, alongside, later } = trip;
  const due = first.dueMs <= nowMs;
  const where = (nudge: Nudge) => plan.vessels.find((vessel) => vessel.id === (view.state.steps[nudge.stepId]?.vesselId ?? ''))?.name ?? '';
  const step = plan.steps.find((s) => s.id === first.stepId);
  const says = (nudge: Nudge) => print.says(nudge.text);
  const answer = (nudge: Nudge) => {
    const its = plan.steps.find((one) => one.id === nudge.stepId);
    const facts = answerTo(nudge, view, plan);
    if (facts) onAnswer(facts, `${its?.title ?? ''}: ${says(nudge)}`);
    else if (its) onAsk(nudge.act === 'ph' ? { ask: 'ph', step: its } : { ask: 'addition', step: its, additionId: nudge.additionId });
  };
  // What is due now is never told in passing: each has its line and its button.
  const alsoDue = alongside.filter((nudge) => nudge.dueMs <= nowMs);
  const onTheWay = alongside.filter((nudge) => nudge.dueMs > nowMs);
  return (
    <section className={`call${due ? ' call-due' : ''}${first.stop ? ' call-stop' : ''}`} aria-label="Next act">
      {/* Told once, when it is due: a countdown read aloud every minute is heard by nobody. */}
      <p className="unseen" role="alert">
        {due ? `${says(first).replace(/[.?!]$/, '')}: ${where(first)}` : ''}
      </p>
      {first.stop ? <StopMark size={34} /> : due ? <HandMark size={34} /> : null}
      <div className="row-main">
        <p className="call-text">
          {due ? '' : `${untilText(first.dueMs, nowMs).replace('in', 'In')}: `}
          {says(first)}
        </p>
        <p className="quiet">
          {where(first)}
          {step ? ` · ${step.title}` : ''}
          {onTheWay.length > 0 ? ` · same trip: ${onTheWay.map((nudge) => `${says(nudge)}, ${where(nudge)}`).join('; ')}` : ''}
          {later ? ` · then ${untilText(later.dueMs, nowMs)}: ${says(later)}${where(later) === where(first) ? '' : `, ${where(later)}`}` : ''}
        </p>
        {alsoDue.length > 0 ? (
          <ul className="stack stack-tight" aria-label="Due as well">
            {alsoDue.map((nudge) => (
              <li key={nudge.key} className="line line-tight">
                <strong>{says(nudge)}</strong>
                <span className="quiet">{where(nudge)}</span>
                <Button onClick={() => answer(nudge)} aria-label={`Done: ${says(nudge)}`}>
                  Done
                </Button>
              </li>
            ))}
          </ul>
        ) : null}
      </div>
      {onQuiet ? (
        <Button size="large" className="call-quiet" onClick={onQuiet} aria-label="Heard: quiet on every device">
          Quiet
        </Button>
      ) : null}
      {first.act === 'attend' && due ? (
        <Button size="large" onClick={() => onAnswer(allOff(view), 'heat off, left')}>
          Heat off, I leave
        </Button>
      ) : null}
      {due ? <Later call={first} onAnswer={onAnswer} /> : null}
      <Button type={due ? 'primary' : 'default'} size="large" onClick={() => answer(first)}>
        {first.act === 'attend' && due ? 'I am here' : due ? 'Done' : 'Do it now'}
      </Button>
    </section>
  );
}

const among = <C extends CallAct>(calls: readonly C[], act: CallAct): C | undefined => calls.find((call) => call === act);

/** A call that may wait is put off, or let go; the log says which. */
function Later({ call, onAnswer }: { call: Nudge; onAnswer: Props['onAnswer'] }) {
  const [waits, goes] = [among(PUT_OFF_CALLS, call.act), among(LET_GO_CALLS, call.act)];
  const { stepId } = call;
  if (!waits || call.stop) return null;
  const putOff = (min: number) =>
    onAnswer([{ type: 'callPutOff', stepId, call: waits, untilMs: Math.round(clockMs() + min * 60_000) }], `put off for ${printDuration(min)}`);
  return (
    <LaterMenu
      onPutOff={putOff}
      goesAs={goes === 'ph' ? 'Not measured' : undefined}
      onLetGo={goes ? () => onAnswer([{ type: 'callLetGo', stepId, call: goes }], goes === 'ph' ? 'pH not measured' : 'let go') : null}
    />
  );
}

/** Every pot on the heat pauses: its heat time stands still, the clock does not. */
const allOff = (view: StoveView): RunFact[] =>
  view.cards
    .filter(({ state, clock }) => state.status === 'running' && clock.current && isHeated(clock.current.phase))
    .map(({ step }) => ({ type: 'paused', stepId: step.id, reason: 'heat off, left' }));
