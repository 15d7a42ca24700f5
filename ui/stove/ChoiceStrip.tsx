'use client';
import { Button } from 'antd';
import type { Plan } from '@/core/plan/plan';
import type { RunFact } from '@/core/run/events';
import type { Choice, Otherwise } from '@/core/run/otherwise';
import { Ways } from './Ways';

interface Props {
  readonly plan: Pick<Plan, 'steps'>;
  readonly otherwise: Otherwise;
  readonly onTake: (choice: Choice) => void;
  readonly onClose: () => void;
}

/** Hands do it before it is written down: something goes in, the heat is turned, goods are lifted. */
const isDeed = (fact: RunFact): boolean =>
  fact.type === 'heatSet' || fact.type === 'paused' || (fact.type === 'addition' && !(fact.amount.state === 'measured' && fact.amount.value === 0));

/** What the one tap is called. */
function word({ does }: Choice): string {
  if ('ask' in does) return does.ask === 'ph' ? 'Read it now' : 'Say more';
  if ('leave' in does) return 'Leave it';
  if ('change' in does) return 'Change the rest';
  return 'log' in does && does.log.some(isDeed) ? 'Done, log it' : 'So it is done';
}

/** Things go otherwise: two or three things that can be done, each with its price. */
export function ChoiceStrip({ plan, otherwise, onTake, onClose }: Props) {
  const title = plan.steps.find(({ id }) => id === otherwise.stepId)?.title;
  const ways = otherwise.choices.map((choice) => ({
    key: choice.title,
    title: choice.title,
    price: choice.price,
    acts: (
      <Button className="tall" onClick={() => onTake(choice)}>
        {word(choice)}
      </Button>
    ),
  }));
  const canLeave = otherwise.choices.some(({ does }) => 'leave' in does);
  return (
    <Ways
      label={`It goes otherwise: ${title ?? 'the day'}`}
      where={title ? [title] : []}
      says={otherwise.says}
      ways={ways}
      foot={
        canLeave ? null : (
          <Button type="text" style={{ alignSelf: 'flex-start' }} onClick={onClose}>
            None of these
          </Button>
        )
      }
    />
  );
}
