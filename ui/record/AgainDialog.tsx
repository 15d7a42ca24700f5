'use client';
import { Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import type { Draft, Plan } from '@/core/plan/plan';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { LotPicker } from '../plan/LotPicker';

const HOUR = 3_600_000;

/** A new plan that asks for what was really done, scaled to the lots chosen here. */
export function AgainDialog({ runId, plan, onClose }: { runId: string; plan: Plan; onClose: () => void }) {
  const router = useRouter();
  const lots = useLoaded<LotView[]>('/lots', () => false);
  const [name, setName] = useState(`${plan.name}, again`);
  const [lotIds, setLotIds] = useState<readonly string[]>(plan.lots.map((lot) => lot.id));
  const [problem, setProblem] = useState<string | null>(null);
  const [sessionId] = useState(newId);
  const make = async () => {
    try {
      const draft = await post<Draft>(`/runs/${runId}/again`, { name, startMs: Math.ceil(nowMs() / HOUR) * HOUR, lotIds });
      const made = await post<Plan>('/sessions', { id: sessionId, draft });
      router.push(`/sessions/${made.sessionId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <Modal
      open
      title="Do it again"
      okText="Make the plan"
      cancelText="Not now"
      onOk={() => void make()}
      onCancel={onClose}
      okButtonProps={{ disabled: lotIds.length === 0 || name.trim() === '' }}
    >
      <p>
        Doses per gram and holds come from what was really done, where it was measured; the rest stays as planned. Choose the fibre, and everything is scaled to
        its weight.
      </p>
      <label className="field">
        <span>Name</span>
        <Input value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
      </label>
      {lots.state === 'ready' ? <LotPicker lots={lots.value} chosen={lotIds} onChoose={setLotIds} /> : null}
      {problem ? (
        <p className="field-error" role="alert">
          {problem}
        </p>
      ) : null}
    </Modal>
  );
}
