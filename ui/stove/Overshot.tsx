'use client';
import { Button } from 'antd';
import { estimated } from '@/core/figure';
import { lowerFirst } from '@/core/measure/lowerFirst';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { bathVolumeMl } from '@/core/run/bathLine';
import type { RunFact } from '@/core/run/events';
import type { RunState } from '@/core/run/fold';
import { overshootWays, type Way } from '@/core/run/overshoot';
import { LinkButton } from '../shell/LinkButton';
import type { StoveCard } from './stoveView';
import { Ways } from './Ways';

interface Props {
  readonly plan: Plan;
  readonly card: StoveCard;
  readonly run: RunState;
  readonly nowMs: number;
  readonly onLog: (facts: readonly RunFact[], text: string) => void;
  /** What ends this bath, with the plan following it. */
  readonly onPlan: (way: Way, says: string) => void;
}

/** The strip went past its aim: what can be done, each with its price, logged in one tap once it is done. */
export function Overshot({ plan, card, run, nowMs, onLog, onPlan }: Props) {
  const { step, state, vessel } = card;
  const volumeMl = bathVolumeMl(plan, run, step, nowMs);
  const roomMl = vessel.litres === null || volumeMl === null ? null : vessel.litres * 1000 - volumeMl;
  const found = overshootWays(plan, step, state, roomMl);
  if (!found) return null;
  return (
    <Ways
      label={`Overshot: ${step.title}`}
      where={[step.title]}
      says={`${found.says} What can be done, and what each costs:`}
      ways={found.ways.map((way) => ({
        key: way.kind,
        title: way.title,
        price: way.price,
        acts: (
          <>
            <Button
              className="tall"
              onClick={() => (way.isPlanned ? onPlan(way, found.says) : onLog(factsOf(way, step), `${step.title}: ${lowerFirst(way.title)}`))}
            >
              {way.adds ? 'Done, log it' : way.isPlanned ? 'So it is done: plan it' : 'So it is done'}
            </Button>
            {way.adds || way.isPlanned ? null : <LinkButton href={`/sessions/${plan.sessionId}/change`}>Change the rest</LinkButton>}
          </>
        ),
      }))}
    />
  );
}

/** What went in as it was proposed, and why: nobody measured more than the sum did. */
function factsOf({ adds, title }: Way, { id: stepId }: PlanStep): RunFact[] {
  const why: RunFact = { type: 'note', stepId, text: `Overshot: ${lowerFirst(title)}` };
  return adds ? [{ type: 'addition', stepId, additionId: null, substance: adds.substance, amount: estimated(adds.amount), unit: adds.unit }, why] : [why];
}
