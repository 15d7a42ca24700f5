'use client';
import { Form, Input, Radio } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { againInput } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { FormSheet } from '../form/FormSheet';
import { LotPicker } from '../plan/LotPicker';
import { usePrint } from '../shell/facts';

const HOUR = 3_600_000;

interface Values {
  readonly name: string;
  readonly lotIds: readonly string[];
  readonly oneChanged: boolean;
}

interface Props {
  readonly runId: string;
  readonly plan: Plan;
  /** What was added beyond the plan: it is told, since a plan has no place for it. */
  readonly extras: readonly string[];
  /** Asked for with one thing changed. */
  readonly oneChanged: boolean;
  readonly onClose: () => void;
}

/** A new plan that asks for what was really done, scaled to the lots chosen here. */
export function AgainDialog({ runId, plan, extras, oneChanged, onClose }: Props) {
  const print = usePrint();
  const router = useRouter();
  const lots = useLoaded<LotView[]>('/lots');
  const [sessionId] = useState(newId);
  const send = async (body: unknown) => {
    const draft = await post<Draft>(`/runs/${runId}/again`, body);
    await post<Plan>('/sessions', { id: sessionId, draft });
  };
  return (
    <FormSheet<Values>
      name={`again-${runId}`}
      title="Do it again"
      okText="Make the plan"
      first={{ name: `${plan.name}, again`.slice(0, 120), lotIds: plan.lots.map((lot) => lot.id), oneChanged }}
      body={({ name, lotIds, oneChanged: one }) => ({ name: name.trim(), startMs: Math.ceil(nowMs() / HOUR) * HOUR, lotIds, oneChanged: one })}
      schema={againInput}
      send={send}
      onDone={() => router.push(`/sessions/${sessionId}`)}
      onClose={onClose}
    >
      {() => (
        <>
          <p>
            Doses per gram and holds come from what was really done, where it was measured; the rest stays as planned. Choose the fibre, and everything is
            scaled to its weight.
          </p>
          {extras.length > 0 ? <p className="small">Not taken over, since the shelf does not know it: {print.says(extras.join('; '))}.</p> : null}
          <Form.Item name="name" label="Name">
            <Input maxLength={120} />
          </Form.Item>
          <Form.Item name="oneChanged" label="How" extra="With one thing changed, the plan counts what differs and says so when it is two.">
            <Radio.Group
              options={[
                { value: false, label: 'as it was' },
                { value: true, label: 'with one thing changed' },
              ]}
            />
          </Form.Item>
          <Form.Item name="lotIds" label="Fibre">
            <PickLots lots={lots.state === 'ready' ? lots.value : []} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}

const PickLots = ({ lots, value = [], onChange }: { lots: readonly LotView[]; value?: readonly string[]; onChange?: (ids: string[]) => void }) => (
  <LotPicker lots={lots} chosen={value} onChoose={(ids) => onChange?.(ids)} />
);
