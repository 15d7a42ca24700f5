'use client';
import { Segmented } from 'antd';
import { useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import { scoreOf } from '@/core/rehearse/practice';
import { practiceTasks } from '@/core/rehearse/practiceTasks';
import { PracticePot } from './PracticePot';

/** The holds of a plan, one after the other, in simulated pots of their own size. */
export function ByHand({ plan }: { readonly plan: Plan }) {
  const tasks = practiceTasks(plan);
  const [chosen, setChosen] = useState(tasks[0]?.stepId ?? '');
  const [points, setPoints] = useState<Readonly<Record<string, number>>>({});
  const task = tasks.find(({ stepId }) => stepId === chosen);
  if (!task) return <p>Nothing of this plan is held at a temperature in a pot: there is nothing to practise.</p>;
  return (
    <div className="stack">
      <Segmented
        aria-label="Which hold"
        value={chosen}
        options={tasks.map(({ stepId, title }) => ({ value: stepId, label: points[stepId] === undefined ? title : `${title}: ${points[stepId]}` }))}
        onChange={setChosen}
        style={{ alignSelf: 'flex-start', maxWidth: '100%', overflowX: 'auto' }}
      />
      <PracticePot key={chosen} task={task.task} onOver={(practice) => setPoints({ ...points, [chosen]: scoreOf(practice).points })} />
    </div>
  );
}
