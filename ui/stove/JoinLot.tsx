'use client';
import { Button, Modal, Select } from 'antd';
import { useState } from 'react';
import type { LotView, RunView } from '@/contract/views';
import { figureText } from '@/core/figure';
import { withJoined } from '@/core/plan/joinLot';
import type { PlanStep } from '@/core/plan/plan';
import type { RunState } from '@/core/run/fold';
import { begunItems } from '@/core/run/theRest';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { whenSent } from '../api/outbox';
import { useLoaded } from '../api/useLoaded';
import type { LiveRun } from '../api/useRun';
import { LotForm } from '../fibre/LotForm';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';

interface Props {
  readonly run: Pick<LiveRun, 'view' | 'reload'>;
  readonly state: RunState;
  readonly step: PlanStep;
  readonly onClose: () => void;
}

/** A lot that nobody planned goes in now, and on with the others from here. */
export function JoinLot({ run, state, step, onClose }: Props) {
  const { plan, run: at } = run.view;
  const print = usePrint();
  const lots = useLoaded<LotView[]>('/lots');
  const [lotId, setLotId] = useState<string | null>(null);
  const [eventId] = useState(newId);
  const [isSending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const free = lots.state === 'ready' ? lots.value.filter((lot) => !lot.ended && !lot.trial && !step.lotIds.includes(lot.id)) : [];
  const lot = free.find(({ id }) => id === lotId);

  const goIn = async () => {
    if (!lot) return;
    setSending(true);
    try {
      // What was logged here counts before it.
      await whenSent(at.id);
      const draft = withJoined(plan.draft, step, begunItems(plan, state), lot.id);
      await post<RunView>(`/runs/${at.id}/replan`, { eventId, reason: `${lot.name} added later`, draft });
      run.reload();
      onClose();
    } catch (error) {
      setSending(false);
      setProblem(errorText(error));
    }
  };

  return (
    <Modal
      open
      title={`${step.title}: a lot goes in too`}
      okText="It goes in now"
      cancelText="Not now"
      okButtonProps={{ disabled: !lot, loading: isSending }}
      onOk={goIn}
      onCancel={onClose}
      destroyOnHidden
    >
      <div className="stack">
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
        <div className="line line-tight">
          <Select
            aria-label="Which lot"
            placeholder="which lot"
            loading={lots.state === 'loading'}
            value={lotId}
            onChange={setLotId}
            showSearch={{ optionFilterProp: 'label' }}
            options={free.map((one) => ({ value: one.id, label: `${one.name}, ${figureText(one.dryWeightG, print.mass)}` }))}
            style={{ flex: '1 1 240px' }}
          />
          <Button onClick={() => setAdding(true)}>It is a new one</Button>
        </div>
        <p className="quiet">
          From now on it goes with the lots of this step. What was done before was not done to it: its passport will say so. The bath was made for less fibre;
          what has gone in stays as it is.
        </p>
      </div>
      {adding ? <LotForm lot={null} onClose={() => setAdding(false)} /> : null}
    </Modal>
  );
}
